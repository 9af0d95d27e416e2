package app.denfold.core.rules;

/** Under which assumption evidence is judged, each including the ones before it. */
enum Assumption {
    /** As things are. */
    AS_DECIDED,
    /** As if every pending document were accepted. */
    REVIEWS_ACCEPTED,
    /** As if, besides, every missing signature were there. */
    SIGNATURES_GIVEN
}
