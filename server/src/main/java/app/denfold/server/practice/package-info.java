/** The practice itself: name, calendar, clock, and what all modules need of the web. */
package app.denfold.server.practice;
