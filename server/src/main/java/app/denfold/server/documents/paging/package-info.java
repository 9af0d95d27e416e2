/** The pages of filed papers: put in another order, taken out, turned, put in from elsewhere, split off. */
@NamedInterface("paging")
@NullMarked
package app.denfold.server.documents.paging;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.NamedInterface;
