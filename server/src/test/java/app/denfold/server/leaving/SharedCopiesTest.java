package app.denfold.server.leaving;

import static app.denfold.server.marks.MarkedPapers.cover;
import static app.denfold.server.marks.MarkedPapers.draft;
import static app.denfold.server.marks.MarkedPapers.mark;
import static app.denfold.server.marks.MarkedPapers.put;
import static app.denfold.server.marks.MarkedPapers.read;
import static app.denfold.server.marks.MarkedPapers.text;
import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.server.Api;
import app.denfold.server.Papers;
import app.denfold.server.ServerTest;
import app.denfold.server.TestMail;
import app.denfold.server.TestPractice;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;

/** A guest sees in the portal just what was looked at before, and never what is covered. */
@ServerTest
class SharedCopiesTest {

    private static final String SECRET = "Quillfeather";

    @Autowired
    TestPractice practice;

    @Autowired
    MockMvc mvc;

    private record Guest(UUID account, Api api) {
        String reads(UUID paper) throws Exception {
            return text(api.get("/api/portal/documents/{id}/content", paper).bytes());
        }
    }

    private Guest invite(Api api, UUID file, String name) throws Exception {
        String address = TestPractice.newAddress();
        UUID account = api.post(
                        "/api/files/{id}/guests", Map.of("name", name, "email", address, "relation", "guardian"), file)
                .id("$.accountId");
        String link = TestMail.linkTo(address);
        return new Guest(
                account,
                Api.nobody(mvc).begin("/api/invitations/" + link, Map.of("password", "a long enough password")));
    }

    private static Api.Answer share(Api api, UUID account, List<String> copies) throws Exception {
        return api.post(
                "/api/copies-out/share", Map.of("copies", copies, "accountId", account, "evenIfReadable", false));
    }

    @Test
    void aGuestSeesTheCopyThatWasLookedAtUntilPaperOrCoversChange() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Sharedcopy", null);
        UUID paper = read(api, file, "To " + SECRET + "|about the box of the pony Bramble.");
        Guest guest = invite(api, file, "Hallam Okparo");
        Api.Answer readers = api.get("/api/files/{id}/readers", file);
        assertThat(readers.<List<String>>at("$[?(@.name=='Hallam Okparo')].accountId"))
                .containsExactly(guest.account().toString());
        cover(api, paper, SECRET);
        put(api, paper, List.of(mark(1, "NOTE", "Do keep this")));

        Api.Answer drafts = draft(api, paper, "Hallam Okparo", true, false, true);
        assertThat(guest.api().get("/api/portal/documents/{id}/content", paper).status())
                .as("nothing was shared yet")
                .isEqualTo(404);
        assertThat(share(api, guest.account(), drafts.at("$[*].id")).status()).isEqualTo(204);
        assertThat(guest.reads(paper))
                .contains("Copy " + drafts.<Integer>at("$[0].number") + " for Hallam Okparo")
                .doesNotContain(SECRET);
        assertThat(guest.api().get("/api/portal/documents/{id}/pages/1", paper).status())
                .isEqualTo(200);
        assertThat(api.get("/api/files/{id}/copies", file).<String>at("$[0].way"))
                .isEqualTo("PORTAL");
        assertThat(api.get("/api/files/{id}/trail", file).body()).contains("put into the portal copy");

        cover(api, paper, "Bramble");
        assertThat(guest.reads(paper))
                .as("what is covered later is gone at once")
                .doesNotContain(SECRET, "Bramble", "Copy ");
        api.renew(paper, "newer.pdf", Papers.pages(List.of("As before.", "The newest word about it.")));
        assertThat(guest.reads(paper)).contains("The newest word");
        Api.Answer again = draft(api, paper, "Hallam Okparo", false, false, true);
        assertThat(share(api, guest.account(), again.at("$[*].id")).status())
                .as("shared before, and now as a copy of the newest")
                .isEqualTo(204);
        assertThat(guest.reads(paper)).contains("Copy " + again.<Integer>at("$[0].number"));
    }

    @Test
    void aCopyIsPutBeforeNobodyElseThanItsReader() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Otherreader", null);
        UUID paper = read(api, file, "About the riding lessons.");
        Guest guest = invite(api, file, "Hallam Okparo");
        Guest stranger = invite(api, api.newEmployee("Strangerfile", null), "Petra Lindqvist");
        List<String> copies =
                draft(api, paper, "Somebody Else", false, false, true).at("$[*].id");
        Api.Answer wrong = share(api, guest.account(), copies);
        assertThat(wrong.status()).isEqualTo(409);
        assertThat(wrong.<String>at("$.detail")).contains("was made for Somebody Else, not for Hallam Okparo");
        List<String> hers =
                draft(api, paper, "Petra Lindqvist", false, false, true).at("$[*].id");
        assertThat(share(api, stranger.account(), hers).status())
                .as("no guest of this file")
                .isEqualTo(404);
        assertThat(api.get("/api/files/{id}/copies", file).<List<?>>at("$"))
                .as("nothing was given")
                .isEmpty();
        assertThat(share(practice.colleague(null, true, false), guest.account(), copies)
                        .status())
                .isEqualTo(403);
    }
}
