/** People from CSV, and from the directory of the house. */
package app.denfold.server.people.importing;
