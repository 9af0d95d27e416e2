/** When people are told, who and in which words, as the practice sets it up. */
@NamedInterface("plans")
@NullMarked
package app.denfold.server.chasing.plans;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.NamedInterface;
