package app.denfold.server.letters.models;

import app.denfold.server.access.Viewer;
import app.denfold.server.commits.OutsideTransactions;
import app.denfold.server.content.Contents;
import app.denfold.server.content.UploadedFile;
import app.denfold.server.letters.KeptForm;
import app.denfold.server.letters.KeptFormRepository;
import app.denfold.server.letters.KeptImage;
import app.denfold.server.letters.KeptImageRepository;
import app.denfold.server.letters.KeptModel;
import app.denfold.server.letters.KeptModelRepository;
import app.denfold.server.letters.ModelVersion;
import app.denfold.server.letters.ModelVersionRepository;
import app.denfold.server.letters.ModelWords;
import app.denfold.server.letters.forms.Forms;
import app.denfold.server.letters.images.Images;
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
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/**
 * Models as open files, so that one practice can hand them to another: a ZIP with {@code model.json}, the forms that it
 * fills in, what it attaches, and its pictures.
 */
@Service
class ModelFiles {

    static final String FORMAT = "den-fold-letter-model/1";

    private static final String JSON = "model.json";
    private static final int LARGEST_JSON = 5 << 20;
    private static final int LARGEST_FORM = 50 << 20;
    private static final int MOST_VERSIONS = 200;
    private static final int MOST_FORMS = 40;
    private static final int MOST_IMAGES = 100;

    private final Models models;
    private final KeptModelRepository kept;
    private final ModelVersionRepository versions;
    private final KeptFormRepository keptForms;
    private final KeptImageRepository keptImages;
    private final Forms forms;
    private final Images images;
    private final Contents contents;
    private final TransactionTemplate transactions;
    private final JsonMapper mapper;
    private final Validator validator;

    ModelFiles(
            Models models,
            KeptModelRepository kept,
            ModelVersionRepository versions,
            KeptFormRepository keptForms,
            KeptImageRepository keptImages,
            Forms forms,
            Images images,
            Contents contents,
            TransactionTemplate transactions,
            JsonMapper mapper,
            Validator validator) {
        this.models = models;
        this.kept = kept;
        this.versions = versions;
        this.keptForms = keptForms;
        this.keptImages = keptImages;
        this.forms = forms;
        this.images = images;
        this.contents = contents;
        this.transactions = transactions;
        this.mapper = mapper;
        this.validator = validator;
    }

    /** A form, what is attached, or a picture. @param file its name in the ZIP */
    record PartOfModel(
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
            @NotNull List<@NotNull @Valid PartOfModel> forms,
            @NotNull List<@NotNull @Valid PartOfModel> images) {

        /** One that was written when there were no pictures says nothing of them. */
        ModelInFile {
            images = images == null ? List.of() : images;
        }
    }

    /** A model that is written as a file. @param files the hashes of its forms and pictures by their names in the ZIP */
    record Written(String name, ModelInFile model, Map<String, String> files) {}

    /** @throws Refusal when there is no such model, or the viewer may not see papers of its type */
    Written of(Viewer viewer, UUID id) {
        return Objects.requireNonNull(transactions.execute(t -> {
            KeptModel model = models.visible(viewer, id);
            List<ModelVersion> all = versions.findByModelIdOrderByNumber(id);
            List<PartOfModel> parts = new ArrayList<>();
            List<PartOfModel> pictures = new ArrayList<>();
            Map<String, String> inZip = new LinkedHashMap<>();
            for (UUID form : idsOf(all, ModelWords::formIds)) {
                KeptForm kept = keptForms.findById(form).orElseThrow();
                parts.add(new PartOfModel(form, kept.name(), "forms/" + form + ".pdf"));
                inZip.put("forms/" + form + ".pdf", kept.sha256());
            }
            for (UUID image : idsOf(all, ModelWords::pictureIds)) {
                KeptImage kept = keptImages.findById(image).orElseThrow();
                pictures.add(new PartOfModel(image, kept.name(), "images/" + image + ".png"));
                inZip.put("images/" + image + ".png", kept.sha256());
            }
            ModelInFile file = new ModelInFile(
                    FORMAT,
                    model.name(),
                    model.type(),
                    model.kinds(),
                    all.stream()
                            .map(v -> new VersionInFile(v.language(), v.holdsFrom(), v.words()))
                            .toList(),
                    parts,
                    pictures);
            return new Written(model.name(), file, inZip);
        }));
    }

    private static Set<UUID> idsOf(List<ModelVersion> all, Function<ModelWords, Set<UUID>> ids) {
        return all.stream().flatMap(v -> ids.apply(v.words()).stream()).collect(Collectors.toCollection(TreeSet::new));
    }

    void write(Written written, OutputStream to) throws IOException {
        OutsideTransactions.require("writing a ZIP");
        try (ZipOutputStream zip = new ZipOutputStream(to)) {
            zip.putNextEntry(new ZipEntry(JSON));
            zip.write(mapper.writerWithDefaultPrettyPrinter().writeValueAsBytes(written.model));
            zip.closeEntry();
            for (Map.Entry<String, String> file : written.files.entrySet()) {
                zip.putNextEntry(new ZipEntry(file.getKey()));
                Files.copy(contents.file(file.getValue()), zip);
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
            Map<UUID, UUID> taken = new HashMap<>();
            take(zip, model.forms, taken, part -> forms.add(viewer, part).id());
            take(zip, model.images, taken, part -> images.add(viewer, part).id());
            return Objects.requireNonNull(transactions.execute(t -> add(viewer, model, taken)));
        } catch (ZipException | JacksonException none) {
            throw Refusal.invalid("file", "“" + file.name() + "” is no file of a model.");
        } catch (IOException unreadable) {
            throw Refusal.invalid("file", "“" + file.name() + "” cannot be read: " + unreadable.getMessage() + ".");
        }
    }

    private UUID add(Viewer viewer, ModelInFile model, Map<UUID, UUID> taken) {
        UUID id = models.add(viewer, new ModelDetails(0, freeName(model.name), model.type, model.kinds, null));
        model.versions.forEach(v ->
                models.addVersion(viewer, id, new VersionDetails(v.language, v.holdsFrom, v.words.renamed(taken))));
        return id;
    }

    private ModelInFile read(ZipFile zip) throws IOException {
        byte[] json = bytes(zip, JSON, LARGEST_JSON);
        ModelInFile model = mapper.readValue(json, ModelInFile.class);
        if (!FORMAT.equals(model.format) || !validator.validate(model).isEmpty()) {
            throw new ZipException();
        }
        if (model.versions.size() > MOST_VERSIONS
                || model.forms.size() > MOST_FORMS
                || model.images.size() > MOST_IMAGES) {
            throw new IOException("it holds more than " + MOST_VERSIONS + " versions, " + MOST_FORMS + " forms or "
                    + MOST_IMAGES + " pictures");
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

    /** @param ids of what was taken in, by the ids it had */
    private static void take(
            ZipFile zip, List<PartOfModel> parts, Map<UUID, UUID> ids, Function<UploadedFile, UUID> add)
            throws IOException {
        for (PartOfModel part : parts) {
            Path file = Files.createTempFile("model", ".part");
            try {
                Files.write(file, bytes(zip, part.file, LARGEST_FORM));
                ids.put(part.id, add.apply(new UploadedFile(file, UploadedFile.lastName(part.name))));
            } finally {
                Files.deleteIfExists(file);
            }
        }
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
