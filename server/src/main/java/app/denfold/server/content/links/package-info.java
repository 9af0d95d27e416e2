/** Papers that lie elsewhere on the web, and whether they still do. */
@NamedInterface("links")
package app.denfold.server.content.links;

import org.springframework.modulith.NamedInterface;
