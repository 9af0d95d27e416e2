/** What keeps a paper from being changed: confirmed sections, and papers held for editing. */
package app.denfold.server.documents.guarding;
