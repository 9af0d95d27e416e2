/** The words of papers, kept for searching and brought up to date by events. */
package app.denfold.server.finding.index;
