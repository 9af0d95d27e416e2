/** Papers in files: their versions, states and values. */
package app.denfold.server.documents;
