/** What has to be done again after something failed, and nothing beyond it. */
package orthopur.rework;
