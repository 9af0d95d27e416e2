/** The days on which a person was here or will be, which part his papers into times. */
package app.denfold.server.visits;
