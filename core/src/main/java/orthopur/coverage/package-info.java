/** What all approved procedures of a machine cover together, and what none of them does. */
package orthopur.coverage;
