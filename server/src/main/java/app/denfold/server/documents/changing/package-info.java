/** Correcting, moving, copying, replacing, confirming and discarding papers. */
package app.denfold.server.documents.changing;
