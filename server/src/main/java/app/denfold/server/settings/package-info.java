/** What an administrator sets for the whole practice. */
@NullMarked
package app.denfold.server.settings;

import org.jspecify.annotations.NullMarked;
