/** What people answer to mails of the practice. */
@NamedInterface("answers")
@NullMarked
package app.denfold.server.chasing.answers;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.NamedInterface;
