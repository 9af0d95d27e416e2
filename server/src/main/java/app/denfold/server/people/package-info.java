/** Files of people: who they are, what is true of them and since when. */
package app.denfold.server.people;
