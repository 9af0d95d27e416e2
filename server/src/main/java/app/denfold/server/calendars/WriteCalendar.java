package app.denfold.server.calendars;

import app.denfold.server.calendars.CalendarEntryStore.Entry;
import app.denfold.server.calendars.Calendars.Event;
import app.denfold.server.calendars.Calendars.Told;
import java.net.URI;
import java.time.LocalDate;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.component.VEvent;
import net.fortuna.ical4j.model.property.DtStamp;
import net.fortuna.ical4j.model.property.ProdId;
import net.fortuna.ical4j.model.property.Sequence;
import net.fortuna.ical4j.model.property.Status;
import net.fortuna.ical4j.model.property.Transp;
import net.fortuna.ical4j.model.property.Uid;
import net.fortuna.ical4j.model.property.Url;
import net.fortuna.ical4j.model.property.XProperty;
import net.fortuna.ical4j.model.property.immutable.ImmutableCalScale;
import net.fortuna.ical4j.model.property.immutable.ImmutableMethod;
import net.fortuna.ical4j.model.property.immutable.ImmutableVersion;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/** Writes a calendar as RFC 5545 has it: all-day events that keep nobody busy. */
@Component
class WriteCalendar {

    private final String address;

    WriteCalendar(@Value("${denfold.address}") String address) {
        this.address = address;
    }

    String of(Told told) {
        Calendar calendar = new Calendar();
        calendar.add(new ProdId("-//Den Fold//Papers//EN"));
        calendar.add(ImmutableVersion.VERSION_2_0);
        calendar.add(ImmutableCalScale.GREGORIAN);
        calendar.add(ImmutableMethod.PUBLISH);
        calendar.add(new XProperty("X-WR-CALNAME", "Papers: " + told.name()));
        told.events().forEach(e -> calendar.add(event(e)));
        return calendar.toString();
    }

    private VEvent event(Event event) {
        Entry entry = event.entry();
        LocalDate day = entry.day();
        // an all-day event ends on the day after, which does not belong to it
        VEvent written =
                new VEvent(day, day.plusDays(1), event.summary() == null ? "No longer needed" : event.summary());
        written.replace(new DtStamp(entry.changedAt()));
        written.add(new Uid(entry.uid()));
        written.add(new Sequence(entry.sequence()));
        written.add(new Status(entry.cancelled() ? "CANCELLED" : "CONFIRMED"));
        written.add(new Transp("TRANSPARENT"));
        if (event.fileId() != null) {
            written.add(new Url(URI.create(address + "/files/" + event.fileId())));
        }
        return written;
    }
}
