/** What every page and answer passes through, and the description of the API. */
@NullMarked
package app.denfold.server.practice.web;

import org.jspecify.annotations.NullMarked;
