/** Bytes: stored once by their SHA-256, verified when read, never written again. */
package app.denfold.server.content;
