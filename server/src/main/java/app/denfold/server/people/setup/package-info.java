/** Changing kinds and bringing people in, in Set-up. */
package app.denfold.server.people.setup;
