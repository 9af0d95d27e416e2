/** Whose paper it may be, of what type, with which dates; learned from what was filed. */
package app.denfold.server.arrivals.proposing;
