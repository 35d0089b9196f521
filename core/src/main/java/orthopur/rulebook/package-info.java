/**
 * The figures that rules compare with, each with one home, a unit and a source. A rule asks the
 * book for a figure by its id and never carries a number itself. {@link
 * orthopur.rulebook.PublicCodes} holds the default book; chemical labels, machine manuals and local
 * codes come before it.
 */
@NullMarked
package orthopur.rulebook;

import org.jspecify.annotations.NullMarked;
