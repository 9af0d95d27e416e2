/** What people are to each other, and people and organisations that have no file of their own. */
@NullMarked
package app.denfold.server.relations;

import org.jspecify.annotations.NullMarked;
