/** All papers of a file read as one, and the file’s own trail. */
@NamedInterface("wholefile")
@NullMarked
package app.denfold.server.documents.wholefile;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.NamedInterface;
