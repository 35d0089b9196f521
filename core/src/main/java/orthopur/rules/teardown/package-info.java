/** Rules about taking apart and putting together: order, count, guards, what was moved aside. */
package orthopur.rules.teardown;
