/**
 * Two versions of one procedure side by side: which steps came, went, moved or changed, and what
 * that does to the verdict. It judges nothing itself; it holds two verdicts against each other.
 */
@NullMarked
package orthopur.comparison;

import org.jspecify.annotations.NullMarked;
