/** Files sent from the browser in pieces that go on where they broke off, until whoever wants them takes them over. */
@NullMarked
package app.denfold.server.uploads;

import org.jspecify.annotations.NullMarked;
