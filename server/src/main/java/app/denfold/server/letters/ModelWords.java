package app.denfold.server.letters;

import app.denfold.core.letters.AskedFor;
import app.denfold.core.letters.LetterBlock;
import app.denfold.core.letters.LetterModel;
import app.denfold.core.letters.LetterSheet;
import app.denfold.core.letters.Picture;
import app.denfold.core.letters.Place;
import app.denfold.core.letters.RichText;
import app.denfold.core.rules.Condition;
import app.denfold.paper.forms.FormBox;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.annotation.Nullable;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import tools.jackson.databind.JsonNode;

/**
 * The words of a model, as they are typed and kept.
 *
 * @param form what they are put in; null for a letter
 * @param sheet what stands on each page of a letter; null for the usual
 * @param attachments what follows the pages; null for nothing
 */
public record ModelWords(
        @NotNull List<@NotNull @Valid Question> asks,
        @NotNull List<@NotNull @Valid Block> blocks,
        @Nullable @Valid OnForm form,
        @Nullable @Valid Sheet sheet,
        @Nullable List<@NotNull @Valid Attachment> attachments) {

    public static final int MOST_ATTACHMENTS = 20;

    /** A letter. */
    public static ModelWords letter(List<Question> asks, List<Block> blocks) {
        return new ModelWords(asks, blocks, null, null, null);
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

    /**
     * What stands on each page.
     *
     * @param head whether the first begins with the name, address and mark of the practice
     * @param numbered whether each says which it is, and of how many
     */
    public record Sheet(
            boolean head,
            @NotNull List<@NotNull @Valid Piece> top,
            @NotNull List<@NotNull @Valid Piece> foot,
            boolean numbered) {

        /** With the head of the practice and numbers. */
        public static final Sheet USUAL = new Sheet(true, List.of(), List.of(), true);

        private LetterSheet asSheet() {
            return new LetterSheet(
                    head,
                    top.stream().map(Piece::asRichText).toList(),
                    foot.stream().map(Piece::asRichText).toList(),
                    numbered);
        }

        private Sheet renamed(Map<UUID, UUID> ids) {
            return new Sheet(head, Piece.renamed(top, ids), Piece.renamed(foot, ids), numbered);
        }
    }

    /** A PDF that follows the pages. @param always whether it does in each letter, or only where the writer chooses it */
    public record Attachment(@NotNull UUID formId, @NotNull String name, boolean always) {}

    /** What follows the pages. */
    public List<Attachment> attached() {
        return attachments == null ? List.of() : attachments;
    }

    /** The same, where forms, attachments and pictures have other ids. @param ids new ones by old ones; others stay */
    public ModelWords renamed(Map<UUID, UUID> ids) {
        return new ModelWords(
                asks,
                blocks.stream()
                        .map(b -> new Block(b.id, b.name, b.locked, b.optional, b.when, Piece.renamed(b.content, ids)))
                        .toList(),
                form == null
                        ? null
                        : new OnForm(ids.getOrDefault(form.formId, form.formId), form.leaveOpen, form.boxes),
                sheet == null ? null : sheet.renamed(ids),
                attachments == null
                        ? null
                        : attachments.stream()
                                .map(a -> new Attachment(ids.getOrDefault(a.formId, a.formId), a.name, a.always))
                                .toList());
    }

    /** The PDFs that it needs: a form, and what is attached. */
    public Set<UUID> formIds() {
        Set<UUID> ids = new LinkedHashSet<>();
        if (form != null) {
            ids.add(form.formId);
        }
        attached().forEach(a -> ids.add(a.formId));
        return ids;
    }

    /** The pictures in it. */
    public Set<UUID> pictureIds() {
        Stream<Piece> onPages = sheet == null ? Stream.of() : Stream.concat(sheet.top.stream(), sheet.foot.stream());
        return Stream.concat(blocks.stream().flatMap(b -> b.content.stream()), onPages)
                .flatMap(Piece::all)
                .flatMap(p -> Stream.ofNullable(p.picture))
                .map(PlacedPicture::id)
                .collect(Collectors.toSet());
    }

    /** A picture. @param width on the page, in mm */
    public record PlacedPicture(@NotNull UUID id, int width) {}

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
            @Nullable @Valid PlacedPicture picture,
            @Nullable List<@NotNull @Valid Piece> content) {

        /** One that is no picture. */
        public Piece(
                RichText.Type type,
                @Nullable String text,
                @Nullable Set<RichText.Mark> marks,
                @Nullable Integer level,
                @Nullable At place,
                @Nullable List<Piece> content) {
            this(type, text, marks, level, place, null, content);
        }

        private Stream<Piece> all() {
            return Stream.concat(
                    Stream.of(this),
                    content == null ? Stream.of() : content.stream().flatMap(Piece::all));
        }

        private static List<Piece> renamed(List<Piece> pieces, Map<UUID, UUID> ids) {
            return pieces.stream().map(p -> p.renamed(ids)).toList();
        }

        private Piece renamed(Map<UUID, UUID> ids) {
            return new Piece(
                    type,
                    text,
                    marks,
                    level,
                    place,
                    picture == null ? null : new PlacedPicture(ids.getOrDefault(picture.id, picture.id), picture.width),
                    content == null ? null : renamed(content, ids));
        }

        public static Piece of(RichText piece) {
            Place place = piece.place();
            Picture picture = piece.picture();
            return new Piece(
                    piece.type(),
                    piece.text(),
                    piece.marks().isEmpty() ? null : piece.marks(),
                    piece.type() == RichText.Type.HEADING ? Integer.valueOf(piece.level()) : null,
                    place == null ? null : new At(place.what(), place.format(), place.otherwise(), place.mustBeKnown()),
                    picture == null ? null : new PlacedPicture(UUID.fromString(picture.id()), picture.width()),
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
                    picture == null ? null : new Picture(picture.id.toString(), picture.width),
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
                        .toList(),
                sheet == null ? LetterSheet.USUAL : sheet.asSheet());
    }
}
