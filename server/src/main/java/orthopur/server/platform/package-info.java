/** What every feature stands on: start checks, clock, errors as problem+json, pages, OpenAPI. */
@org.springframework.modulith.ApplicationModule(
        type = org.springframework.modulith.ApplicationModule.Type.OPEN)
package orthopur.server.platform;
