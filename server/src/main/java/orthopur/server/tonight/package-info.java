/** Tonight: who does what, where and when, planned from what is due and what has happened. */
@NullMarked
package orthopur.server.tonight;

import org.jspecify.annotations.NullMarked;
