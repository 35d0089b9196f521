/** Files in and out: import with every error listed, published schemas, the demo site. */
@NullMarked
package orthopur.server.files;

import org.jspecify.annotations.NullMarked;
