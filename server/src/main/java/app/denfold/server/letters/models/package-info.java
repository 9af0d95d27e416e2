/** Models of letters, as an administrator sets them up. */
@NullMarked
package app.denfold.server.letters.models;

import org.jspecify.annotations.NullMarked;
