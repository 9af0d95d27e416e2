/** Bytes that leave for good once nothing needs them. */
@NamedInterface("destroying")
package app.denfold.server.content.destroying;

import org.springframework.modulith.NamedInterface;
