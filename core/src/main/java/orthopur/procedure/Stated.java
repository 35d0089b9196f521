package orthopur.procedure;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/**
 * A field of an action, stated once: on the component of its record. Its type tells how it is read
 * and written; JSON, schema, notation, completion and the editor's form derive from it. A field
 * that several actions have is an annotation of its own below, so that it is the same in all.
 */
@Retention(RetentionPolicy.RUNTIME)
@Target({ElementType.RECORD_COMPONENT, ElementType.ANNOTATION_TYPE})
public @interface Stated {
    /** What a person is asked for, in the words of the trade. */
    String label();

    /** Its name in files where that is not the component's. */
    String name() default "";

    /** The word that stands before it in the notation, behind it where it is a count. */
    String word() default "";

    /** One that is right, with its unit. */
    String example() default "";

    /** What it is for, as one sentence. */
    String doc() default "";

    /** Least and most of a count. */
    int least() default 1;

    int most() default 1000;

    /** Unit of a plain number. */
    String unit() default "";

    /** Which things it names. */
    Of of() default Of.ANYTHING;

    /** Whether the action means nothing without it. */
    boolean needed() default false;

    /** What the ids of a field refer to. */
    enum Of {
        ANYTHING,
        ITEMS,
        ENERGIES,
        CHECKS,
        FITTINGS,
        CHEMICAL,
        PROGRAM
    }

    /** A liquid, and which of its fields the action takes; all where none is told. */
    @Retention(RetentionPolicy.RUNTIME)
    @Target(ElementType.RECORD_COMPONENT)
    @interface Liquid {
        String[] value() default {};
    }

    /** Parts, surfaces, passages. */
    @Retention(RetentionPolicy.RUNTIME)
    @Target(ElementType.RECORD_COMPONENT)
    @Stated(label = "parts and surfaces", of = Of.ITEMS)
    @interface Items {}

    /** Energies of the sheet. */
    @Retention(RetentionPolicy.RUNTIME)
    @Target(ElementType.RECORD_COMPONENT)
    @Stated(label = "power and stored energy", of = Of.ENERGIES)
    @interface Energies {}

    /** Checks of the sheet. */
    @Retention(RetentionPolicy.RUNTIME)
    @Target(ElementType.RECORD_COMPONENT)
    @Stated(label = "checks", of = Of.CHECKS)
    @interface Checks {}

    /** What is there only for cleaning. */
    @Retention(RetentionPolicy.RUNTIME)
    @Target(ElementType.RECORD_COMPONENT)
    @Stated(label = "cleaning fittings", of = Of.FITTINGS)
    @interface Fittings {}

    /** A product of the site. */
    @Retention(RetentionPolicy.RUNTIME)
    @Target(ElementType.RECORD_COMPONENT)
    @Stated(label = "product", name = "chemical", word = "with", of = Of.CHEMICAL)
    @interface Product {}

    /** Fewer than all of a part that there are several of. */
    @Retention(RetentionPolicy.RUNTIME)
    @Target(ElementType.RECORD_COMPONENT)
    @Stated(
            label = "how many of them",
            word = "of them",
            doc = "Only where fewer than all; not stated means all.")
    @interface Count {}

    /** Where it goes. */
    @Retention(RetentionPolicy.RUNTIME)
    @Target(ElementType.RECORD_COMPONENT)
    @Stated(label = "where it goes", word = "->", example = "parts cart")
    @interface Destination {}

    /** How a wet or dry step is done. */
    @Retention(RetentionPolicy.RUNTIME)
    @Target(ElementType.RECORD_COMPONENT)
    @Stated(label = "method", name = "method", word = "by")
    @interface By {}

    /** How long it goes on. */
    @Retention(RetentionPolicy.RUNTIME)
    @Target(ElementType.RECORD_COMPONENT)
    @Stated(label = "how long", name = "dwell", word = "for", example = "10 min")
    @interface Lasting {}

    /** What is measured in it. */
    @Retention(RetentionPolicy.RUNTIME)
    @Target(ElementType.RECORD_COMPONENT)
    @Stated(label = "readings taken", name = "readings", word = "reading")
    @interface Readings {}

    /** By the machine's own drive rather than by hand. */
    @Retention(RetentionPolicy.RUNTIME)
    @Target(ElementType.RECORD_COMPONENT)
    @Stated(label = "under power, hands out of reach", word = "powered")
    @interface Powered {}
}
