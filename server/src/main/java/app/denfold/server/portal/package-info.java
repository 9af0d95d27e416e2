/** Guests: what is shared with them, what is asked of them, what they send. */
package app.denfold.server.portal;
