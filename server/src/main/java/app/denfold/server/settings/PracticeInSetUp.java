package app.denfold.server.settings;

import app.denfold.core.sharing.Granted.Deed;
import app.denfold.server.access.Role;
import app.denfold.server.access.Viewer;
import app.denfold.server.catalog.sets.SetUpPart;
import app.denfold.server.practice.DayOrder;
import app.denfold.server.practice.EvidenceAddresses;
import app.denfold.server.practice.PracticeLook;
import app.denfold.server.practice.PracticeSettings;
import app.denfold.server.practice.SessionLimits;
import app.denfold.server.problems.Refusal;
import app.denfold.server.settings.SetUpPracticeController.LookRequest;
import app.denfold.server.settings.SetUpPracticeController.SessionsRequest;
import jakarta.validation.ConstraintViolation;
import jakarta.validation.Validator;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.function.Function;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** The practice itself as part of the whole set-up; its mark goes with it as PNG in Base64. */
@Component
class PracticeInSetUp implements SetUpPart {

    private final SetUpPractice setUp;
    private final PracticeSettings settings;
    private final Validator validator;
    private final JsonMapper mapper = new JsonMapper();

    PracticeInSetUp(SetUpPractice setUp, PracticeSettings settings, Validator validator) {
        this.setUp = setUp;
        this.settings = settings;
        this.validator = validator;
    }

    @Override
    public String name() {
        return "practice";
    }

    @Override
    public JsonNode out() {
        PracticeLook look = settings.look();
        SessionLimits limits = settings.sessionLimits();
        ObjectNode practice = mapper.createObjectNode()
                .put("name", look.name())
                .put("address", look.address())
                .put("colour", look.colour())
                .put("mailFrom", look.mailFrom())
                .put("replyTo", look.replyTo())
                .put("zone", settings.zone().getId())
                .put("dayOrder", settings.dayOrder().name())
                .put("weekStart", settings.weekStart().getValue())
                .put("sessionIdleMinutes", limits.idle().toMinutes())
                .put("sessionMostHours", limits.most().toHours())
                .put("confirmSigning", settings.confirmSigning())
                .put("evidenceAddresses", settings.evidenceAddresses().name());
        practice.set("languages", mapper.valueToTree(look.languages()));
        practice.set("secondFactor", mapper.valueToTree(settings.secondFactorRoles()));
        practice.set(
                "ownFile",
                mapper.valueToTree(settings.ownFileDeeds().stream().sorted().toList()));
        settings.mark().ifPresent(png -> practice.put("mark", png));
        return practice;
    }

    @Override
    public void in(Viewer viewer, JsonNode part) {
        LookRequest look = checked(new LookRequest(
                part.get("name").stringValue(),
                part.get("address").stringValue(),
                part.get("colour").stringValue(),
                all(part.get("languages"), l -> l).stream().toList(),
                part.path("mailFrom").asString(null),
                part.path("replyTo").asString(null)));
        setUp.show(viewer, look.asLook());
        setUp.keepDays(
                viewer,
                part.get("zone").stringValue(),
                DayOrder.valueOf(part.get("dayOrder").stringValue()),
                part.get("weekStart").intValue());
        if (part.has("sessionIdleMinutes")) {
            SessionsRequest sessions = checked(new SessionsRequest(
                    part.get("sessionIdleMinutes").intValue(),
                    part.get("sessionMostHours").intValue(),
                    Set.copyOf(all(part.get("secondFactor"), Role::valueOf))));
            setUp.limitSessions(viewer, sessions.idleMinutes(), sessions.mostHours(), sessions.secondFactor());
        }
        if (part.has("confirmSigning")) {
            setUp.signing(
                    viewer,
                    part.get("confirmSigning").booleanValue(),
                    part.has("evidenceAddresses")
                            ? EvidenceAddresses.valueOf(
                                    part.get("evidenceAddresses").stringValue())
                            : settings.evidenceAddresses());
        }
        if (part.has("ownFile")) {
            setUp.allowInOwnFile(viewer, Set.copyOf(all(part.get("ownFile"), Deed::valueOf)));
        }
        if (part.has("mark")) {
            mark(viewer, part.get("mark"));
        }
    }

    private static <T> List<T> all(JsonNode words, Function<String, T> read) {
        return words.valueStream().map(w -> read.apply(w.stringValue())).toList();
    }

    private void mark(Viewer viewer, JsonNode base64) {
        try {
            Path image = Files.createTempFile("mark", ".png");
            try {
                Files.write(image, base64.binaryValue());
                setUp.mark(viewer, image, "mark.png");
            } finally {
                Files.deleteIfExists(image);
            }
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    private <T> T checked(T request) {
        Set<ConstraintViolation<T>> wrong = validator.validate(request);
        if (!wrong.isEmpty()) {
            ConstraintViolation<T> first = wrong.stream()
                    .min(Comparator.comparing(w -> w.getPropertyPath().toString()))
                    .orElseThrow();
            throw Refusal.invalid(
                    "practice." + first.getPropertyPath(),
                    "Of the practice, " + first.getPropertyPath() + " " + first.getMessage() + ".");
        }
        return request;
    }
}
