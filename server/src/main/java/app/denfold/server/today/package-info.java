/** What waits for one person, gathered from the modules that know it. */
package app.denfold.server.today;
