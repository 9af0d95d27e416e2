/** Addresses from which others write for a person. */
@NamedInterface("contacts")
@NullMarked
package app.denfold.server.people.contacts;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.NamedInterface;
