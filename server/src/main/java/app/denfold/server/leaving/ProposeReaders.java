package app.denfold.server.leaving;

import app.denfold.server.access.Role;
import app.denfold.server.access.Viewer;
import app.denfold.server.access.accounts.Accounts;
import app.denfold.server.people.PersonFile;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.portal.GuestRight;
import app.denfold.server.portal.GuestRights;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.relations.PeopleAround;
import jakarta.annotation.Nullable;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Who copies of a file's papers are likely to be for. */
@Component
class ProposeReaders {

    private final PersonFiles files;
    private final PeopleAround around;
    private final GuestRights rights;
    private final Accounts accounts;
    private final PracticeCalendar calendar;

    ProposeReaders(
            PersonFiles files, PeopleAround around, GuestRights rights, Accounts accounts, PracticeCalendar calendar) {
        this.files = files;
        this.around = around;
        this.rights = rights;
        this.accounts = accounts;
        this.calendar = calendar;
    }

    /**
     * Somebody a copy may be for.
     *
     * @param is what the reader is to the person, in words
     * @param email null when none is known
     * @param accountId under which they see papers in the portal; null for one who is no guest of the file
     */
    record ProposedReader(
            Reader.Kind kind,
            String name,
            String is,
            @Nullable String email,
            @Nullable UUID accountId) {

        private boolean isThe(Viewer guest) {
            return name.equals(guest.name()) && (email == null || email.equalsIgnoreCase(guest.email()));
        }

        private ProposedReader asGuest(UUID account) {
            return new ProposedReader(kind, name, is, email, account);
        }
    }

    /** The person, then those around, then guests of the file who are none of these. */
    @Transactional(readOnly = true)
    public List<ProposedReader> of(Viewer viewer, UUID fileId) {
        PersonFile file = files.visible(viewer, fileId);
        List<ProposedReader> readers = new ArrayList<>();
        readers.add(new ProposedReader(Reader.Kind.PERSON, file.name(), "whose file it is", file.email(), null));
        around.around(viewer, fileId)
                .forEach(s -> readers.add(new ProposedReader(
                        Reader.Kind.AROUND,
                        s.name(),
                        s.kind() == null ? "" : s.kind().label(),
                        s.email(),
                        null)));
        rights.ofFile(fileId).stream()
                .filter(right -> right.granted().holdsOn(calendar.today()))
                .forEach(right -> accounts.viewer(right.accountId())
                        .filter(account -> account.role() == Role.GUEST)
                        .ifPresent(guest -> add(readers, right, guest)));
        return readers;
    }

    /** As whom they are known already where name and address agree. */
    private static void add(List<ProposedReader> readers, GuestRight right, Viewer guest) {
        int known = 0;
        while (known < readers.size() && !readers.get(known).isThe(guest)) {
            known++;
        }
        if (known < readers.size()) {
            readers.set(known, readers.get(known).asGuest(guest.accountId()));
        } else {
            readers.add(new ProposedReader(
                    Reader.Kind.AROUND, guest.name(), right.relation(), guest.email(), guest.accountId()));
        }
    }
}
