/** What filing a paper or changing a rule would change, told before it is done. */
@NamedInterface("effects")
package app.denfold.server.coverage.effects;

import org.springframework.modulith.NamedInterface;
