package orthopur.server.people;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/**
 * An answer that takes the server long: paper, verdicts of everything, archives. Each person has
 * few of them under way at once, so that nobody's tablet waits for somebody's printing.
 */
@Target({ElementType.METHOD, ElementType.TYPE})
@Retention(RetentionPolicy.RUNTIME)
public @interface Heavy {}
