/** What colleagues say to each other about papers. */
@NullMarked
package app.denfold.server.comments;

import org.jspecify.annotations.NullMarked;
