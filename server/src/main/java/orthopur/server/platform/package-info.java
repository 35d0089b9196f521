/** What every feature stands on: start checks, clock, errors as problem+json, pages, OpenAPI. */
@org.springframework.modulith.ApplicationModule(
        type = org.springframework.modulith.ApplicationModule.Type.OPEN)
@NullMarked
package orthopur.server.platform;

import org.jspecify.annotations.NullMarked;
