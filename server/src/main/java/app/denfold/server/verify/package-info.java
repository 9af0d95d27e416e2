/** Reads everything that is kept through and tells what is wrong, beside a server that serves or without one. */
package app.denfold.server.verify;
