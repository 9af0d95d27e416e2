/** Signing in and out, sessions, and which addresses are open to whom. */
package app.denfold.server.access.signin;
