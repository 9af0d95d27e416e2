/** Stand-ins of what surrounds a practice: its mail, its directory, a virus scanner. */
package app.denfold.server.demo.standins;
