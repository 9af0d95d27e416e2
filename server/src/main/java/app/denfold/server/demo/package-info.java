/** The demo practice: its catalogue, people, papers and mail stand-in. Only active in the profile {@code demo}. */
@NullMarked
package app.denfold.server.demo;

import org.jspecify.annotations.NullMarked;
