/** The list of waiting papers: shown, worked on by several people, filed or put away. */
package app.denfold.server.arrivals.waiting;
