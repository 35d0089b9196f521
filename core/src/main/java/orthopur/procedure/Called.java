package orthopur.procedure;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/**
 * How people call an action, and whether hands or tools go to the machine's parts during it. The
 * only place where this is stated; notation, editor and prints derive from it.
 */
@Retention(RetentionPolicy.RUNTIME)
@Target(ElementType.TYPE)
public @interface Called {
    /** The verb with which a step begins. */
    String value();

    /** Other verbs that are read as the same; former ones stay here for ever. */
    String[] also() default {};

    /** Whether hands or tools go to the machine's parts. */
    boolean handsIn() default false;
}
