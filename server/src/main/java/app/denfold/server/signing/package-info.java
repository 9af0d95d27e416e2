/** Signing at the desk, and the sealed copy. */
package app.denfold.server.signing;
