/** Who must receive a paper, who has it, and what a paper lacks until nothing more is to be done about it. */
@NullMarked
package app.denfold.core.receiving;

import org.jspecify.annotations.NullMarked;
