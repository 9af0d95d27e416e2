/** Letters of a practice: what a model holds, what it knows of a file, what is missing, and the letter that comes of it. */
@NullMarked
package app.denfold.core.letters;

import org.jspecify.annotations.NullMarked;
