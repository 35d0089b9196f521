/**
 * The server: a package for each feature. A feature owns its controller, its service, its
 * repository and its migration; features talk through public types, and a test draws the arrows.
 */
@NullMarked
package orthopur.server;

import org.jspecify.annotations.NullMarked;
