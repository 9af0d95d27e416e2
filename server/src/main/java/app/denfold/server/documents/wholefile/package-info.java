/** All papers of a file read as one, and the file’s own trail. */
@NamedInterface("wholefile")
package app.denfold.server.documents.wholefile;

import org.springframework.modulith.NamedInterface;
