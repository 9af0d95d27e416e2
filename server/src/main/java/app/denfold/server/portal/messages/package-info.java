/** What guests and the practice write to each other about a person. */
@NullMarked
package app.denfold.server.portal.messages;

import org.jspecify.annotations.NullMarked;
