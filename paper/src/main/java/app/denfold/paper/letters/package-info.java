/** Letters as PDF/A with real text: from rich text to pages. */
@NullMarked
package app.denfold.paper.letters;

import org.jspecify.annotations.NullMarked;
