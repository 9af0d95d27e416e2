/** How a person likes the screens. */
@NullMarked
package app.denfold.server.access.preferences;

import org.jspecify.annotations.NullMarked;
