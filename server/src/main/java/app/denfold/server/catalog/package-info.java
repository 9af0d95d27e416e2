/** What the practice knows papers by: sections, document types, checklists and their versions. */
@NullMarked
package app.denfold.server.catalog;

import org.jspecify.annotations.NullMarked;
