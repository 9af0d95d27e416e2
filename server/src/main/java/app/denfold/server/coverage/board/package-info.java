/** All files against all requirements: rows, counts, forecast and CSV. */
@NamedInterface("board")
@NullMarked
package app.denfold.server.coverage.board;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.NamedInterface;
