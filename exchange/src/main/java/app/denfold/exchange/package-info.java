/** The open JSON of document types, checklists, persons and answers. Every refusal names its place. */
@NullMarked
package app.denfold.exchange;

import org.jspecify.annotations.NullMarked;
