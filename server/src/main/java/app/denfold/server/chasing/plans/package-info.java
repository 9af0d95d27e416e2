/** When people are told, who and in which words, as the practice sets it up. */
@NullMarked
package app.denfold.server.chasing.plans;

import org.jspecify.annotations.NullMarked;
