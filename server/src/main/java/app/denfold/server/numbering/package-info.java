/** Running numbers on the pages of many papers: given once, kept in a register, written on copies. */
@NullMarked
package app.denfold.server.numbering;

import org.jspecify.annotations.NullMarked;
