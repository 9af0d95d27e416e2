package app.denfold.server.letters.models;

import app.denfold.paper.Format;
import app.denfold.server.access.Viewer;
import app.denfold.server.commits.OutsideTransactions;
import app.denfold.server.content.Contents;
import app.denfold.server.content.UploadedFile;
import app.denfold.server.content.office.OfficeHtml;
import app.denfold.server.letters.KeptForm;
import app.denfold.server.letters.KeptFormRepository;
import app.denfold.server.letters.KeptModel;
import app.denfold.server.letters.KeptModelRepository;
import app.denfold.server.letters.KnownNames;
import app.denfold.server.letters.ModelVersion;
import app.denfold.server.letters.ModelVersionRepository;
import app.denfold.server.letters.ModelWords;
import app.denfold.server.letters.ModelWords.Piece;
import app.denfold.server.letters.forms.Forms;
import app.denfold.server.letters.models.Models.ModelDetails;
import app.denfold.server.letters.models.Models.VersionDetails;
import app.denfold.server.problems.Refusal;
import jakarta.validation.Valid;
import jakarta.validation.Validator;
import jakarta.validation.constraints.NotNull;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/**
 * Models as open files, so that one practice can hand them to another: a ZIP with {@code model.json} and the forms that it
 * fills in.
 */
@Service
class ModelFiles {

    static final String FORMAT = "den-fold-letter-model/1";

    private static final Set<Format> OFFICE = Set.of(Format.DOCX, Format.DOC, Format.ODT, Format.RTF);

    private static final String JSON = "model.json";
    private static final int LARGEST_JSON = 5 << 20;
    private static final int LARGEST_FORM = 50 << 20;
    private static final int MOST_VERSIONS = 200;
    private static final int MOST_FORMS = 20;

    private final Models models;
    private final KeptModelRepository kept;
    private final ModelVersionRepository versions;
    private final KeptFormRepository keptForms;
    private final Forms forms;
    private final OfficeHtml office;
    private final KnownNames names;
    private final Contents contents;
    private final TransactionTemplate transactions;
    private final JsonMapper mapper;
    private final Validator validator;

    ModelFiles(
            Models models,
            KeptModelRepository kept,
            ModelVersionRepository versions,
            KeptFormRepository keptForms,
            Forms forms,
            OfficeHtml office,
            KnownNames names,
            Contents contents,
            TransactionTemplate transactions,
            JsonMapper mapper,
            Validator validator) {
        this.models = models;
        this.kept = kept;
        this.versions = versions;
        this.keptForms = keptForms;
        this.forms = forms;
        this.office = office;
        this.names = names;
        this.contents = contents;
        this.transactions = transactions;
        this.mapper = mapper;
        this.validator = validator;
    }

    /** @param file its name in the ZIP */
    record FormInFile(
            @NotNull UUID id, @NotNull String name, @NotNull String file) {}

    record VersionInFile(
            @NotNull String language,
            @NotNull LocalDate holdsFrom,
            @NotNull @Valid ModelWords words) {}

    /** @param type code of the type of the papers it makes @param kinds codes of the kinds of file it is for */
    record ModelInFile(
            @NotNull String format,
            @NotNull String name,
            @NotNull String type,
            @NotNull List<@NotNull String> kinds,
            @NotNull List<@NotNull @Valid VersionInFile> versions,
            @NotNull List<@NotNull @Valid FormInFile> forms) {}

    /** A model that is written as a file. */
    record Written(String name, ModelInFile model, List<KeptForm> forms) {}

    /** @throws Refusal when there is no such model, or the viewer may not see papers of its type */
    Written of(Viewer viewer, UUID id) {
        return Objects.requireNonNull(transactions.execute(t -> {
            KeptModel model = models.visible(viewer, id);
            List<ModelVersion> all = versions.findByModelIdOrderByNumber(id);
            List<KeptForm> used = all.stream()
                    .flatMap(v -> Stream.ofNullable(v.words().form()))
                    .map(ModelWords.OnForm::formId)
                    .distinct()
                    .map(form -> keptForms.findById(form).orElseThrow())
                    .toList();
            ModelInFile file = new ModelInFile(
                    FORMAT,
                    model.name(),
                    model.type(),
                    model.kinds(),
                    all.stream()
                            .map(v -> new VersionInFile(v.language(), v.holdsFrom(), v.words()))
                            .toList(),
                    used.stream()
                            .map(f -> new FormInFile(f.id(), f.name(), fileOf(f)))
                            .toList());
            return new Written(model.name(), file, used);
        }));
    }

    private static String fileOf(KeptForm form) {
        return "forms/" + form.id() + ".pdf";
    }

    void write(Written written, OutputStream to) throws IOException {
        OutsideTransactions.require("writing a ZIP");
        try (ZipOutputStream zip = new ZipOutputStream(to)) {
            zip.putNextEntry(new ZipEntry(JSON));
            zip.write(mapper.writerWithDefaultPrettyPrinter().writeValueAsBytes(written.model));
            zip.closeEntry();
            for (KeptForm form : written.forms) {
                zip.putNextEntry(new ZipEntry(fileOf(form)));
                Files.copy(contents.file(form.sha256()), zip);
                zip.closeEntry();
            }
        }
    }

    /**
     * Makes a model of a file. One of the same name gets a number.
     *
     * @return its id
     * @throws Refusal when the viewer is no administrator, the file is none of these, or names what is not set up here
     */
    UUID take(Viewer viewer, UploadedFile file) {
        viewer.requireAdministrator();
        try (ZipFile zip = new ZipFile(file.path().toFile())) {
            ModelInFile model = read(zip);
            models.check(new ModelDetails(0, freeName(model.name), model.type, model.kinds, null));
            Map<UUID, UUID> taken = forms(viewer, zip, model.forms);
            return Objects.requireNonNull(transactions.execute(t -> add(viewer, model, taken)));
        } catch (ZipException | JacksonException none) {
            throw Refusal.invalid("file", "“" + file.name() + "” is no file of a model.");
        } catch (IOException unreadable) {
            throw Refusal.invalid("file", "“" + file.name() + "” cannot be read: " + unreadable.getMessage() + ".");
        }
    }

    /** @param images how many of its images could not be taken over */
    record OfficeAnswer(List<Piece> pieces, int images) {}

    /** @throws Refusal when the viewer is no administrator, or it is no text that LibreOffice can read */
    OfficeAnswer words(Viewer viewer, UploadedFile file) {
        viewer.requireAdministrator();
        Format format = Format.claimedBy(file.name())
                .filter(OFFICE::contains)
                .orElseThrow(() -> Refusal.invalid(
                        "file", "“" + file.name() + "” is no text document. Choose a DOCX, DOC, ODT or RTF file."));
        String html = office.of(file.path(), format);
        try {
            OfficeWords.Read read = OfficeWords.of(html, names.kinds().keySet());
            if (read.pieces().isEmpty()) {
                throw Refusal.invalid("file", "There are no words in “" + file.name() + "”.");
            }
            return new OfficeAnswer(read.pieces().stream().map(Piece::of).toList(), read.images());
        } catch (IllegalArgumentException wrong) {
            throw Refusal.invalid("file", "“" + file.name() + "” cannot be a model: " + wrong.getMessage() + ".");
        }
    }

    private UUID add(Viewer viewer, ModelInFile model, Map<UUID, UUID> taken) {
        UUID id = models.add(viewer, new ModelDetails(0, freeName(model.name), model.type, model.kinds, null));
        model.versions.forEach(v ->
                models.addVersion(viewer, id, new VersionDetails(v.language, v.holdsFrom, withForm(v.words, taken))));
        return id;
    }

    private ModelInFile read(ZipFile zip) throws IOException {
        byte[] json = bytes(zip, JSON, LARGEST_JSON);
        ModelInFile model = mapper.readValue(json, ModelInFile.class);
        if (!FORMAT.equals(model.format) || !validator.validate(model).isEmpty()) {
            throw new ZipException();
        }
        if (model.versions.size() > MOST_VERSIONS || model.forms.size() > MOST_FORMS) {
            throw new IOException("it holds more than " + MOST_VERSIONS + " versions or " + MOST_FORMS + " forms");
        }
        return model;
    }

    private String freeName(String name) {
        String free = name;
        for (int n = 2; kept.existsByNameAndIdNot(free, new UUID(0, 0)); n++) {
            free = name + " " + n;
        }
        return free;
    }

    private Map<UUID, UUID> forms(Viewer viewer, ZipFile zip, List<FormInFile> all) throws IOException {
        Map<UUID, UUID> taken = new HashMap<>();
        for (FormInFile form : all) {
            Path pdf = Files.createTempFile("form", ".pdf");
            try {
                Files.write(pdf, bytes(zip, form.file, LARGEST_FORM));
                taken.put(
                        form.id,
                        forms.add(viewer, new UploadedFile(pdf, UploadedFile.lastName(form.name)))
                                .id());
            } finally {
                Files.deleteIfExists(pdf);
            }
        }
        return taken;
    }

    private static ModelWords withForm(ModelWords words, Map<UUID, UUID> taken) {
        ModelWords.OnForm form = words.form();
        return form == null
                ? words
                : new ModelWords(
                        words.asks(),
                        words.blocks(),
                        new ModelWords.OnForm(
                                taken.getOrDefault(form.formId(), form.formId()), form.leaveOpen(), form.boxes()));
    }

    /** However large it says it is, no more is read. */
    private static byte[] bytes(ZipFile zip, String name, int most) throws IOException {
        ZipEntry entry = zip.getEntry(name);
        if (entry == null) {
            throw new ZipException();
        }
        try (InputStream in = zip.getInputStream(entry)) {
            byte[] read = in.readNBytes(most + 1);
            if (read.length > most) {
                throw new IOException("a part of it is larger than " + (most >> 20) + " MB");
            }
            return read;
        }
    }
}
