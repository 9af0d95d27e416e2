/** The pages of a paper put in another order: what became of each, in words. */
@NullMarked
package app.denfold.core.pages;

import org.jspecify.annotations.NullMarked;
