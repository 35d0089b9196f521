/** Files in and out: import with every error listed, published schemas, the demo site. */
package orthopur.server.files;
