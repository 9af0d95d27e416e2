/** What people are to each other, and people and organisations that have no file of their own. */
package app.denfold.server.relations;
