/** A paper as it is read, drawn, turned, printed and decided on. */
@NamedInterface("pages")
@NullMarked
package app.denfold.server.documents.pages;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.NamedInterface;
