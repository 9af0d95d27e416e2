/** How papers stand on their way to being filed for good: what each lacks, whom it waits for, and who has it. */
@NullMarked
package app.denfold.server.standing;

import org.jspecify.annotations.NullMarked;
