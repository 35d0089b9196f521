package orthopur.server.platform;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;
import orthopur.round.Role;

/**
 * Who may use a route: every route says it, itself or for its whole controller. What somebody may
 * do in a round beside that is decided by the fold.
 */
@Target({ElementType.METHOD, ElementType.TYPE})
@Retention(RetentionPolicy.RUNTIME)
public @interface MayUse {
    /** Whoever is signed in with one of these. */
    Role[] value() default {Role.SUPERVISOR, Role.CREW, Role.QA, Role.AUDITOR};

    /** Whoever comes, signed in or not. */
    boolean anybody() default false;

    /** What the others are told. */
    Otherwise otherwise() default Otherwise.ROLE;
}
