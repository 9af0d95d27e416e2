/** A paper as it is read, drawn, turned, printed and decided on. */
@NullMarked
package app.denfold.server.documents.pages;

import org.jspecify.annotations.NullMarked;
