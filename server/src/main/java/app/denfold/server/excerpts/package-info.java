/** Text picked from papers and kept with where it stands, for later letters. */
package app.denfold.server.excerpts;
