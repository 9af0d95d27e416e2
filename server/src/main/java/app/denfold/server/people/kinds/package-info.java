/** Kinds of files and the facts each of them asks for. */
@NamedInterface("kinds")
package app.denfold.server.people.kinds;

import org.springframework.modulith.NamedInterface;
