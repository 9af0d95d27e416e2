package app.denfold.server.letters;

import app.denfold.core.letters.AskedFor;
import app.denfold.core.letters.LetterBlock;
import app.denfold.core.letters.LetterModel;
import app.denfold.core.letters.Place;
import app.denfold.core.letters.RichText;
import app.denfold.core.rules.Condition;
import app.denfold.paper.forms.FormBox;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.annotation.Nullable;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import tools.jackson.databind.JsonNode;

/**
 * The words of a model, as they are typed and kept.
 *
 * @param form what they are put in; null for a letter
 */
public record ModelWords(
        @NotNull List<@NotNull @Valid Question> asks,
        @NotNull List<@NotNull @Valid Block> blocks,
        @Nullable @Valid OnForm form) {

    /** A letter. */
    public static ModelWords letter(List<Question> asks, List<Block> blocks) {
        return new ModelWords(asks, blocks, null);
    }

    /**
     * A form of others that is filled in; each block is what stands in one of its fields.
     *
     * @param leaveOpen whether its fields can be changed once it is filed
     */
    public record OnForm(
            @NotNull UUID formId,
            boolean leaveOpen,
            @NotNull List<@NotNull @Valid FormPlace> boxes) {}

    /**
     * Where on a form a block stands.
     *
     * @param field by which the form knows it; null for a place that has no field
     * @param tickedIf the text with which a tick is set; null for any but “no”
     * @param page from 1; the rest in parts of the page as seen, from the upper left corner
     */
    public record FormPlace(
            @NotNull String block,
            @Nullable String field,
            @NotNull FormBox.Kind kind,
            @Nullable String tickedIf,
            int page,
            double left,
            double top,
            double width,
            double height) {}

    /** Something that is asked of the writer each time. */
    public record Question(
            @NotNull String code,
            @NotNull String label,
            @NotNull AskedFor.Kind kind) {}

    /** A part of the letter. @param when in the open JSON of conditions; null for everybody */
    public record Block(
            @NotNull String id,
            @Nullable String name,
            boolean locked,
            boolean optional,

            @Nullable @Schema(ref = "#/components/schemas/ConditionRule")
            JsonNode when,

            @NotNull List<@NotNull @Valid Piece> content) {}

    /** A piece of rich text. */
    public record Piece(
            @NotNull RichText.Type type,
            @Nullable String text,
            @Nullable Set<RichText.Mark> marks,
            @Nullable Integer level,
            @Nullable @Valid At place,
            @Nullable List<@NotNull @Valid Piece> content) {

        public static Piece of(RichText piece) {
            Place place = piece.place();
            return new Piece(
                    piece.type(),
                    piece.text(),
                    piece.marks().isEmpty() ? null : piece.marks(),
                    piece.type() == RichText.Type.HEADING ? Integer.valueOf(piece.level()) : null,
                    place == null ? null : new At(place.what(), place.format(), place.otherwise(), place.mustBeKnown()),
                    piece.content().isEmpty()
                            ? null
                            : piece.content().stream().map(Piece::of).toList());
        }

        /** @throws IllegalArgumentException with words for whoever wrote it, when it cannot be so */
        public RichText asRichText() {
            return new RichText(
                    type,
                    text,
                    marks == null ? Set.of() : marks,
                    level == null ? 0 : level,
                    place == null ? null : new Place(place.what, place.format, place.otherwise, place.mustBeKnown),
                    content == null
                            ? List.of()
                            : content.stream().map(Piece::asRichText).toList());
        }
    }

    /** A place where something known stands. @param what a name, or a small reckoning such as {@code day + 6 months} */
    public record At(
            @NotNull String what,
            @NotNull Place.Format format,
            @Nullable String otherwise,
            boolean mustBeKnown) {}

    /**
     * The same for the rules.
     *
     * @param conditions reads conditions in the open JSON
     * @throws IllegalArgumentException with words for whoever wrote it, when it cannot be so
     */
    public LetterModel asModel(Function<String, Condition> conditions) {
        return new LetterModel(
                asks.stream().map(a -> new AskedFor(a.code, a.label, a.kind)).toList(),
                blocks.stream()
                        .map(b -> new LetterBlock(
                                b.id,
                                b.name,
                                b.locked,
                                b.optional,
                                b.when == null || b.when.isNull()
                                        ? null
                                        : conditions.apply(
                                                Objects.requireNonNull(b.when).toString()),
                                b.content.stream().map(Piece::asRichText).toList()))
                        .toList());
    }
}
