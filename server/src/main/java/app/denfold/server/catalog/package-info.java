/** What the practice knows papers by: sections, document types, checklists and their versions. */
package app.denfold.server.catalog;
