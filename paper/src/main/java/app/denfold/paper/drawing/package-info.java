/** A paper as pictures: pages drawn, framed, turned, and told apart by how they look. */
@NullMarked
package app.denfold.paper.drawing;

import org.jspecify.annotations.NullMarked;
