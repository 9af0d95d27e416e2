/** The processes in which received bytes are parsed. */
package app.denfold.server.content.workers;
