/** Papers from mails to the practice. */
package app.denfold.server.arrivals.mailbox;
