/** All files against all requirements: rows, counts, forecast and CSV. */
@NamedInterface("board")
package app.denfold.server.coverage.board;

import org.springframework.modulith.NamedInterface;
