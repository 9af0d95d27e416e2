/** Documents as bytes: what a paper truly is, how its pages look, copies with signatures on them, the seal. */
@NullMarked
package app.denfold.paper;

import org.jspecify.annotations.NullMarked;
