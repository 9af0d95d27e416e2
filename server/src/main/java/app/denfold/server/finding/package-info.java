/** Finding papers by anything that is known or written of them, and words on their pages. */
package app.denfold.server.finding;
