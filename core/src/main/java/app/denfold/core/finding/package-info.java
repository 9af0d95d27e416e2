/** What a person means who types words to find papers, and where on a page those words stand. */
@org.jspecify.annotations.NullMarked
package app.denfold.core.finding;
