/** Where on the pages of a paper something is to be written. */
@org.jspecify.annotations.NullMarked
package app.denfold.paper.places;
