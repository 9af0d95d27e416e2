/** What colleagues say to each other about papers. */
package app.denfold.server.comments;
