package app.denfold.paper;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;

/** The formats that are taken in, told by content, and how each is shown. */
public enum Format {
    PDF(Shown.PAGES, "application/pdf", "PDF", "pdf"),
    JPEG(Shown.PAGES, "image/jpeg", "JPEG", "jpg", "jpeg", "jpe", "jfif"),
    PNG(Shown.PAGES, "image/png", "PNG", "png"),
    GIF(Shown.PAGES, "image/gif", "GIF", "gif"),
    TIFF(Shown.PAGES, "image/tiff", "TIFF", "tif", "tiff"),
    HEIC(Shown.KEPT, "image/heic", "HEIC photo", "heic", "heif"),
    DOCX(
            Shown.WORDS,
            "application/vnd.openxmlformats-officedocument.wordprocessingml.document",
            "text document",
            "docx"),
    XLSX(Shown.WORDS, "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet", "spreadsheet", "xlsx"),
    PPTX(
            Shown.WORDS,
            "application/vnd.openxmlformats-officedocument.presentationml.presentation",
            "presentation",
            "pptx"),
    DOC(Shown.WORDS, "application/msword", "text document", "doc"),
    XLS(Shown.WORDS, "application/vnd.ms-excel", "spreadsheet", "xls"),
    PPT(Shown.WORDS, "application/vnd.ms-powerpoint", "presentation", "ppt"),
    RTF(Shown.WORDS, "application/rtf", "text document", "rtf"),
    ODT(Shown.WORDS, "application/vnd.oasis.opendocument.text", "text document", "odt"),
    ODS(Shown.WORDS, "application/vnd.oasis.opendocument.spreadsheet", "spreadsheet", "ods"),
    ODP(Shown.WORDS, "application/vnd.oasis.opendocument.presentation", "presentation", "odp"),
    TEXT(Shown.WORDS, "text/plain", "text", "txt", "text", "log", "md"),
    CSV(Shown.WORDS, "text/csv", "table", "csv"),
    HTML(Shown.WORDS, "text/html", "web page", "html", "htm", "xhtml"),
    XML(Shown.WORDS, "application/xml", "XML", "xml"),
    EML(Shown.WORDS, "message/rfc822", "mail message", "eml"),
    MP3(Shown.RECORDING, "audio/mpeg", "sound", "mp3"),
    WAV(Shown.RECORDING, "audio/vnd.wave", "sound", "wav"),
    OGG(Shown.RECORDING, "audio/vorbis", "sound", "ogg", "oga"),
    OPUS(Shown.RECORDING, "audio/opus", "sound", "opus"),
    M4A(Shown.RECORDING, "audio/mp4", "sound", "m4a"),
    MP4(Shown.RECORDING, "video/mp4", "video", "mp4", "m4v"),
    MOV(Shown.RECORDING, "video/quicktime", "video", "mov"),
    WEBM(Shown.RECORDING, "video/webm", "video", "webm"),
    /** The address of a paper kept elsewhere, written as a list of addresses (RFC 2483). */
    LINK(Shown.KEPT, "text/uri-list", "link", "uri"),
    /** Words that stand for a paper which has not come yet. */
    AWAITED(Shown.KEPT, "application/x-denfold-awaited", "awaited paper", "txt"),
    /** Words that tell where the original of a paper lies. */
    ON_PAPER(Shown.KEPT, "application/x-denfold-on-paper", "original on paper", "txt");

    /** What can be looked at in the page. */
    public enum Shown {
        /** Its pages, as images. */
        PAGES,
        /** The words in it, set on pages. */
        WORDS,
        /** It is played. */
        RECORDING,
        /** Nothing: it is kept and can be downloaded. */
        KEPT
    }

    private final Shown shown;
    private final String mediaType;
    private final String label;
    private final Set<String> endings;
    private final String ending;

    Format(Shown shown, String mediaType, String label, String... endings) {
        this.shown = shown;
        this.mediaType = mediaType;
        this.label = label;
        this.ending = endings[0];
        this.endings = Set.of(endings);
    }

    public Shown shown() {
        return shown;
    }

    public String mediaType() {
        return mediaType;
    }

    /** What people call it. */
    public String label() {
        return label;
    }

    /** The usual ending of file names, without a dot. */
    public String ending() {
        return ending;
    }

    public static Optional<Format> ofMediaType(String mediaType) {
        return Arrays.stream(values())
                .filter(f -> f.mediaType.equals(mediaType))
                .findFirst();
    }

    /** The format that a file name's ending claims; empty when it has no ending or an unknown one. */
    public static Optional<Format> claimedBy(String fileName) {
        String ending = fileName.substring(fileName.lastIndexOf('.') + 1).toLowerCase(Locale.ROOT);
        return Arrays.stream(values()).filter(f -> f.endings.contains(ending)).findFirst();
    }

    /** Text formats cannot be told from each other by their bytes alone; their names decide. */
    public boolean isPlainText() {
        return this == TEXT || this == CSV || this == HTML || this == XML || this == EML;
    }
}
