/** What filing a paper or changing a rule would change, told before it is done. */
@NamedInterface("effects")
@NullMarked
package app.denfold.server.coverage.effects;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.NamedInterface;
