/** The portal as somebody outside uses it. */
@NullMarked
package app.denfold.server.portal.page;

import org.jspecify.annotations.NullMarked;
