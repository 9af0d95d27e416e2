/** Office files laid out as pages. */
@NamedInterface("office")
package app.denfold.server.content.office;

import org.springframework.modulith.NamedInterface;
