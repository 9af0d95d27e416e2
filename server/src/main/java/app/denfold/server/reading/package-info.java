/** Words on pages: which papers wait to be read, how far each is. */
@NullMarked
package app.denfold.server.reading;

import org.jspecify.annotations.NullMarked;
