package app.denfold.server.finding.index;

import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Sets by which language forms of a word are taken for one; another language has all papers indexed anew. */
@Component
class FindLanguage {

    private final TextSearchStore store;
    private final FindIndex index;
    private final String language;

    FindLanguage(
            TextSearchStore store, FindIndex index, @Value("${denfold.finding.language:english}") String language) {
        this.store = store;
        this.index = index;
        this.language = language;
    }

    /** @throws IllegalStateException when the database knows no such language */
    @Transactional
    @EventListener
    void set(ApplicationReadyEvent ready) {
        String wanted = language + "_stem";
        if (!language.matches("[a-z]+") || !store.knows(wanted)) {
            throw new IllegalStateException(
                    "denfold.finding.language is “" + language + "”, which the database does not know.");
        }
        if (!store.uses(wanted)) {
            store.use(wanted);
            index.queueAll();
        }
    }
}
