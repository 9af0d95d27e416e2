package app.denfold.paper.copies;

import app.denfold.core.marks.MarkShape;

/** A mark that goes with a copy. @param page from 1 @param at when it was made, in milliseconds since 1970 */
public record ShownMark(int page, MarkShape shape, String author, long at) {}
