/** Who asks: the account behind a request, its role, and what it may know of. */
package app.denfold.server.access;
