/**
 * The verdict on a procedure: the run-through by all rules, its proven remedies, and the ribbon.
 */
package orthopur.verdict;
