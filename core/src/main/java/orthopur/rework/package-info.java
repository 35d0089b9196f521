/** What has to be done again after something failed, and nothing beyond it. */
@NullMarked
package orthopur.rework;

import org.jspecify.annotations.NullMarked;
