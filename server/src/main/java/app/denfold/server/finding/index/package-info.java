/** The words of papers, kept for searching and brought up to date by events. */
@NullMarked
package app.denfold.server.finding.index;

import org.jspecify.annotations.NullMarked;
