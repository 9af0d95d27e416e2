/** What keeps a paper from being changed: confirmed sections, and papers held for editing. */
@NullMarked
package app.denfold.server.documents.guarding;

import org.jspecify.annotations.NullMarked;
