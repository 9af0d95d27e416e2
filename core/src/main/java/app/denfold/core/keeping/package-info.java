/** For how long files are kept after their people left: a pure function of the practice's rules. It knows no clock. */
@NullMarked
package app.denfold.core.keeping;

import org.jspecify.annotations.NullMarked;
