/** Mails that tell people what is missing, and all other mails on their way out. */
package app.denfold.server.chasing;
