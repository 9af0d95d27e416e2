package app.denfold.exchange;

import app.denfold.core.rules.ClearThrough;
import app.denfold.core.rules.FileStanding;
import app.denfold.core.rules.RequirementAnswer;
import java.io.StringWriter;
import java.time.LocalDate;
import org.jspecify.annotations.Nullable;
import tools.jackson.core.JsonGenerator;

/** Writes an answer as one line of JSON with its keys in a fixed order. */
final class AnswerJson {

    private AnswerJson() {}

    static String of(FileStanding standing) {
        StringWriter text = new StringWriter(512);
        try (JsonGenerator out = RulesJson.MAPPER.createGenerator(text)) {
            out.writeStartObject();
            day(out, "on", standing.on());
            day(out, "knownOn", standing.knownOn());
            out.writeArrayPropertyStart("requirements");
            standing.requirements().forEach(answer -> requirement(out, answer));
            out.writeEndArray();
            out.writeBooleanProperty("clear", standing.isClear());
            clearThrough(out, standing.clearThrough());
            tally(out, "blocking", standing.blocking());
            tally(out, "advisory", standing.advisory());
            out.writeEndObject();
        }
        return text.toString();
    }

    static String of(BadInput bad) {
        StringWriter text = new StringWriter();
        try (JsonGenerator out = RulesJson.MAPPER.createGenerator(text)) {
            out.writeStartObject();
            out.writeStringProperty("error", bad.getMessage());
            out.writeStringProperty("at", bad.at());
            out.writeEndObject();
        }
        return text.toString();
    }

    private static void requirement(JsonGenerator out, RequirementAnswer answer) {
        out.writeStartObject();
        out.writeStringProperty("checklist", answer.checklist());
        out.writeStringProperty("requirement", answer.requirement());
        out.writeStringProperty("status", answer.status().code());
        day(out, "coveredThrough", answer.coveredThrough());
        day(out, "due", answer.due());
        out.writeStringProperty("renewal", answer.renewal().code());
        change(out, answer.nextChange());
        out.writeArrayPropertyStart("counted");
        answer.counted().forEach(out::writeString);
        out.writeEndArray();
        out.writeEndObject();
    }

    private static void change(JsonGenerator out, RequirementAnswer.@Nullable Change change) {
        if (change == null) {
            out.writeNullProperty("nextChange");
            return;
        }
        out.writeObjectPropertyStart("nextChange");
        day(out, "on", change.on());
        out.writeStringProperty("status", change.status().code());
        out.writeEndObject();
    }

    private static void clearThrough(JsonGenerator out, ClearThrough clear) {
        if (clear instanceof ClearThrough.Through through) {
            day(out, "clearThrough", through.day());
        } else if (clear instanceof ClearThrough.NeverEnds) {
            out.writeStringProperty("clearThrough", "never-ends");
        } else {
            out.writeNullProperty("clearThrough");
        }
    }

    private static void tally(JsonGenerator out, String name, FileStanding.Tally tally) {
        out.writeObjectPropertyStart(name);
        out.writeNumberProperty("met", tally.met());
        out.writeNumberProperty("of", tally.of());
        out.writeEndObject();
    }

    private static void day(JsonGenerator out, String name, @Nullable LocalDate day) {
        if (day == null) {
            out.writeNullProperty(name);
        } else {
            out.writeStringProperty(name, day.toString());
        }
    }
}
