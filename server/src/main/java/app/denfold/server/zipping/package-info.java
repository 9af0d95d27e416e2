/** Chosen papers as one ZIP, made in the background. */
package app.denfold.server.zipping;
