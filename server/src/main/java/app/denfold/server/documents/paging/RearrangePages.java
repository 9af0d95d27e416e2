package app.denfold.server.documents.paging;

import app.denfold.core.pages.PageChange;
import app.denfold.server.access.Viewer;
import app.denfold.server.content.Content;
import app.denfold.server.content.Contents;
import app.denfold.server.content.Contents.Prepared;
import app.denfold.server.content.copying.ChosenPage;
import app.denfold.server.content.copying.CopiedPages;
import app.denfold.server.documents.DocumentVersion.PageSource;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.documents.FilingDetails;
import app.denfold.server.documents.changing.Wastebasket;
import app.denfold.server.problems.Refusal;
import app.denfold.server.reading.Readings;
import jakarta.annotation.Nullable;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.stream.IntStream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Makes a newer version of a paper of chosen pages, its own and those of others. The bytes of the former version stay, and
 * with them what was decided and signed on them.
 */
@Service
public class RearrangePages {

    private final Documents documents;
    private final Wastebasket wastebasket;
    private final Contents contents;
    private final CopiedPages copies;
    private final PagesOfOthers giving;
    private final Readings readings;
    private final TransactionTemplate transactions;

    RearrangePages(
            Documents documents,
            Wastebasket wastebasket,
            Contents contents,
            CopiedPages copies,
            PagesOfOthers giving,
            Readings readings,
            TransactionTemplate transactions) {
        this.documents = documents;
        this.wastebasket = wastebasket;
        this.contents = contents;
        this.copies = copies;
        this.giving = giving;
        this.readings = readings;
        this.transactions = transactions;
    }

    /**
     * A page as it is to stand in a paper.
     *
     * @param document from whose newest version it comes; null for the paper itself
     * @param page from 1
     * @param turn by how many degrees clockwise it is turned: 0, 90, 180 or 270
     */
    public record WantedPage(@Nullable UUID document, int page, int turn) {}

    /** A page that stands somewhere else than in a filed paper, such as in an arrival. @param name of where it stands */
    public record LoosePage(ChosenPage page, String name) {}

    /** What a newer version is made of. @param change in words of the paper as it was */
    private record Plan(List<ChosenPage> pages, List<PageSource> sources, PageChange change) {}

    /**
     * Puts the pages of a paper in another order, turns them, takes some out and puts others in.
     *
     * @param version number of the one that the viewer looked at, which must be the newest
     * @param emptied papers of which pages were put in and that go to the wastebasket now
     * @return number of the newer version
     * @throws Refusal when it is not the newest, nothing changes, a page cannot be copied, or the viewer may not
     */
    public int rearrange(Viewer viewer, UUID id, int version, List<WantedPage> wanted, List<UUID> emptied) {
        Plan plan = Objects.requireNonNull(transactions.execute(t -> plan(viewer, id, version, wanted)));
        transactions.executeWithoutResult(t -> emptied.forEach(other -> requireAllPutIn(viewer, other, wanted)));
        Prepared made = copies.copy(plan.pages);
        return Objects.requireNonNull(transactions.execute(t -> {
            int number = add(viewer, id, version, plan, made);
            if (!emptied.isEmpty()) {
                wastebasket.discard(viewer, emptied);
            }
            return number;
        }));
    }

    private void requireAllPutIn(Viewer viewer, UUID other, List<WantedPage> wanted) {
        long putIn = wanted.stream()
                .filter(w -> other.equals(w.document()))
                .map(WantedPage::page)
                .distinct()
                .count();
        if (putIn < giving.paged(documents.visible(viewer, other)).pages()) {
            throw Refusal.invalid("emptied", "A paper is thrown away only when all its pages were put in.");
        }
    }

    /**
     * Puts in pages that stand elsewhere.
     *
     * @param after which page they come, from 0 for the first
     * @param with what is to happen in the same transaction
     * @return number of the newer version
     * @throws Refusal as above
     */
    public int putIn(Viewer viewer, UUID id, int version, int after, List<LoosePage> loose, Runnable with) {
        Plan plan = Objects.requireNonNull(transactions.execute(t -> {
            Plan own = plan(viewer, id, version, null);
            if (after < 0 || after > own.pages.size()) {
                throw Refusal.invalid("after", "There is no page " + after + " in this paper.");
            }
            List<ChosenPage> pages = new ArrayList<>(own.pages);
            List<PageSource> sources = new ArrayList<>(own.sources);
            List<PageChange.From> now = new ArrayList<>(own.change.now());
            for (int i = 0; i < loose.size(); i++) {
                ChosenPage page = loose.get(i).page();
                pages.add(after + i, page);
                sources.add(after + i, new PageSource(null, 0, page.page(), page.turn()));
                now.add(after + i, new PageChange.From(loose.get(i).name(), page.page(), page.turn()));
            }
            return new Plan(pages, sources, checked(new PageChange(own.change.before(), now)));
        }));
        Prepared made = copies.copy(plan.pages);
        return Objects.requireNonNull(transactions.execute(t -> {
            int number = add(viewer, id, version, plan, made);
            with.run();
            return number;
        }));
    }

    /**
     * Makes of the pages after one a paper of their own, with the same details; the paper keeps the others.
     *
     * @param after from 1
     * @return id of the new paper
     * @throws Refusal as above
     */
    public UUID split(Viewer viewer, UUID id, int version, int after) {
        Plan all = Objects.requireNonNull(transactions.execute(t -> plan(viewer, id, version, null)));
        int pages = all.pages.size();
        if (after < 1 || after >= pages) {
            throw Refusal.invalid("after", "The new paper begins with a page after the first.");
        }
        Plan kept = part(all, 0, after);
        Prepared stays = copies.copy(kept.pages);
        Prepared goes = copies.copy(all.pages.subList(after, pages));
        return Objects.requireNonNull(transactions.execute(t -> {
            FiledDocument document = documents.open(viewer, id);
            document.requireNewest(version);
            String name = document.name();
            String sha256 = registered(goes);
            FilingDetails old = document.details();
            UUID split = documents
                    .file(
                            viewer,
                            old.withoutSignatures(),
                            new Documents.Received(
                                    sha256,
                                    document.receivedOn(),
                                    "split off from “" + name + "”",
                                    document.isFromOutside(),
                                    all.sources.subList(after, pages)))
                    .id();
            add(viewer, id, version, kept, stays);
            return split;
        }));
    }

    private static Plan part(Plan all, int from, int to) {
        return new Plan(
                all.pages.subList(from, to),
                all.sources.subList(from, to),
                new PageChange(all.change.before(), all.change.now().subList(from, to)));
    }

    /** @param wanted null for all pages as they are */
    private Plan plan(Viewer viewer, UUID id, int version, @Nullable List<WantedPage> wanted) {
        FiledDocument document = documents.open(viewer, id);
        document.requireNewest(version);
        Content own = giving.paged(document);
        PagesOfOthers.Into into =
                new PagesOfOthers.Into(document.fileId(), Set.copyOf(document.types()), document.name());
        Map<UUID, FiledDocument> others = new HashMap<>();
        List<ChosenPage> pages = new ArrayList<>();
        List<PageSource> sources = new ArrayList<>();
        List<PageChange.From> now = new ArrayList<>();
        for (WantedPage page : wanted == null ? asTheyAre(own) : wanted) {
            UUID other = page.document() == null || page.document().equals(id) ? null : page.document();
            FiledDocument from =
                    other == null ? document : others.computeIfAbsent(other, o -> giving.giving(viewer, into, o));
            Content content = other == null ? own : giving.paged(from);
            if (other != null && (page.page() < 1 || page.page() > content.pages())) {
                throw Refusal.invalid("pages", "“" + from.name() + "” has no page " + page.page() + ".");
            }
            pages.add(new ChosenPage(content.sha256(), page.page(), page.turn()));
            sources.add(new PageSource(from.id(), from.versions().size(), page.page(), page.turn()));
            now.add(new PageChange.From(other == null ? null : from.name(), page.page(), page.turn()));
        }
        PageChange change = new PageChange(own.pages(), now);
        return new Plan(pages, sources, wanted == null ? change : checked(change));
    }

    /** All pages in their order, turned as they are read. */
    private List<WantedPage> asTheyAre(Content own) {
        List<Integer> turns = giving.turns(own);
        return IntStream.rangeClosed(1, own.pages())
                .mapToObj(page -> new WantedPage(null, page, turns.get(page - 1)))
                .toList();
    }

    private static PageChange checked(PageChange change) {
        String fault = change.fault();
        if (fault != null) {
            throw Refusal.invalid("pages", fault);
        }
        if (change.changesNothing()) {
            throw Refusal.conflict("nothing-changed", "The pages are as they were; there is nothing to save.");
        }
        return change;
    }

    private int add(Viewer viewer, UUID id, int version, Plan plan, Prepared made) {
        FiledDocument document = documents.open(viewer, id);
        document.requireNewest(version);
        String sha256 = registered(made);
        readings.ask(sha256);
        String words = plan.change.words();
        documents.addVersion(
                viewer.actor(),
                id,
                sha256,
                plan.sources,
                words,
                "changed the pages of “" + document.name() + "”: " + words + "; version " + version + " stays");
        return version + 1;
    }

    private String registered(Prepared made) {
        Contents.Taken taken = contents.register(made);
        if (taken instanceof Contents.Whole whole) {
            return whole.sha256();
        }
        throw Refusal.conflict(
                "pages-unreadable",
                taken instanceof Contents.SetAside aside ? aside.reason() : ((Contents.Refused) taken).reason());
    }
}
