package app.denfold.server.merging;

import app.denfold.server.people.contacts.ContactAddressStore;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Component;

/** Addresses from which others write for the person: the kept file gets those it lacks. */
@Component
class ContactsFollow implements FollowsMerge {

    private final ContactAddressStore contacts;

    ContactsFollow(ContactAddressStore contacts) {
        this.contacts = contacts;
    }

    @Override
    public String name() {
        return "contact_address";
    }

    @Override
    public List<String> follow(UUID gone, UUID kept) {
        return contacts.copy(gone, kept);
    }

    @Override
    public void goBack(UUID gone, UUID kept, List<String> moved) {
        contacts.remove(kept, moved);
    }
}
