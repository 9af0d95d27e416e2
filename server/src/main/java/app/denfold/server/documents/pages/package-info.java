/** A paper as it is read, drawn, turned, printed and decided on. */
package app.denfold.server.documents.pages;
