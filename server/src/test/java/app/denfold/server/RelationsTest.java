package app.denfold.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpMethod;

/** Who is what to whom, with and without a file. */
@ServerTest
class RelationsTest {

    @Autowired
    TestPractice practice;

    private static Api.Answer relate(Api api, UUID file, String kind, Map<String, ?> whom) throws Exception {
        Map<String, Object> body = new java.util.HashMap<>(whom);
        body.put("kind", kind);
        return api.post("/api/files/{id}/relations", body, file);
    }

    @Test
    void fromAGuardianOneComesToTheChildren() throws Exception {
        Api api = practice.administrator();
        UUID child = api.newFile("patient", "Relatedone", null, "Therapy");
        UUID sibling = api.newFile("student", "Relatedtwo", null, "Riding school");
        String email = TestPractice.newAddress();
        Map<String, ?> ruth = Map.of("name", "Ruta Zamoyska", "email", email, "phone", "0155 3 0101");
        relate(api, child, "GUARDIAN", Map.of("newOutsider", ruth));
        UUID guardian = api.get("/api/outsiders/found?text=zamojska").id("$[0].id");
        relate(api, sibling, "GUARDIAN", Map.of("outsider", guardian, "note", "since May"));
        Api.Answer page = api.get("/api/outsiders/{id}", guardian);
        assertThat(page.<List<String>>at("$.relations[*].name"))
                .containsExactly("Tamsin Relatedone", "Tamsin Relatedtwo");
        assertThat(page.<String>at("$.relations[0].words")).isEqualTo("guardian of");
        assertThat(api.get("/api/files/{id}/relations", sibling).<List<String>>at("$[*].note"))
                .containsExactly("since May");
        assertThat(api.get("/api/find/suggestions?typed=Ruta Zam").<List<String>>at("$.outsiders[*].name"))
                .contains("Ruta Zamoyska");
        assertThat(api.get("/api/files/{id}/trail", child).<List<String>>at("$[*].sentence"))
                .contains("noted Ruta Zamoyska as guardian");

        Api therapist = practice.colleague("Therapy", true, true);
        assertThat(therapist.get("/api/outsiders/{id}", guardian).<List<String>>at("$.relations[*].name"))
                .containsExactly("Tamsin Relatedone");
        Api office = practice.colleague("Office", true, true);
        assertThat(office.get("/api/outsiders/{id}", guardian).status()).isEqualTo(404);
        assertThat(office.get("/api/outsiders/found?text=Zamoyska").body()).isEqualTo("[]");
    }

    @Test
    void aRelationBetweenFilesIsToldInBothAndInTheRightWords() throws Exception {
        Api api = practice.administrator();
        UUID groom = api.newEmployee("Relgroom", null);
        UUID head = api.newEmployee("Relhead", null);
        UUID relation =
                relate(api, groom, "SUPERVISOR", Map.of("otherFile", head)).id("$.id");
        assertThat(api.get("/api/files/{id}/relations", groom).<String>at("$[0].words"))
                .isEqualTo("supervisor");
        Api.Answer reverse = api.get("/api/files/{id}/relations", head);
        assertThat(reverse.<String>at("$[0].words")).isEqualTo("supervisor of");
        assertThat(reverse.id("$[0].fileId")).isEqualTo(groom);
        assertThat(relate(api, groom, "SUPERVISOR", Map.of("otherFile", head)).<String>at("$.code"))
                .isEqualTo("told-already");
        assertThat(relate(api, groom, "SIBLING", Map.of("otherFile", groom)).<String>at("$.problems[0].message"))
                .contains("himself");
        assertThat(relate(api, groom, "PAYER", Map.of()).<String>at("$.problems[0].message"))
                .isEqualTo("Say who it is.");
        assertThat(practice.colleague(null, true, false)
                        .send(HttpMethod.DELETE, "/api/relations/{id}", null, relation)
                        .status())
                .isEqualTo(403);
        api.send(HttpMethod.DELETE, "/api/relations/{id}", null, relation);
        assertThat(api.get("/api/files/{id}/relations", head).<List<?>>at("$")).isEmpty();
    }

    @Test
    void whatIsKnownOfAnOutsiderIsChangedOnceForAllHisPeopleAndALateSaverIsTold() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Reladdress", null);
        relate(api, file, "INSURER", Map.of("newOutsider", Map.of("name", "Quorndale Mutual")));
        UUID insurer = api.get("/api/outsiders/found?text=Quorndale").id("$[0].id");
        Map<String, ?> change =
                Map.of("version", 0, "details", Map.of("name", "Quorndale Mutual Care", "phone", "0155 3 0102"));
        assertThat(api.send(HttpMethod.PUT, "/api/outsiders/{id}", change, insurer)
                        .<String>at("$.phone"))
                .isEqualTo("0155 3 0102");
        assertThat(api.get("/api/files/{id}/relations", file).<String>at("$[0].name"))
                .isEqualTo("Quorndale Mutual Care");
        assertThat(api.send(HttpMethod.PUT, "/api/outsiders/{id}", change, insurer)
                        .<String>at("$.code"))
                .isEqualTo("changed-meanwhile");
    }

    @Test
    void relationsGoAlongWhenFilesAreMerged() throws Exception {
        Api api = practice.administrator();
        UUID kept = api.newEmployee("Relmerge", null);
        UUID gone = api.newEmployee("Relmerge", null);
        UUID groom = api.newEmployee("Relunder", null);
        relate(api, gone, "PAYER", Map.of("newOutsider", Map.of("name", "Payer of both")));
        relate(api, groom, "SUPERVISOR", Map.of("otherFile", gone));
        relate(api, kept, "SIBLING", Map.of("otherFile", gone));
        UUID merge = api.post(
                        "/api/merges",
                        Map.of(
                                "kept",
                                kept,
                                "keptVersion",
                                version(api, kept),
                                "gone",
                                gone,
                                "goneVersion",
                                version(api, gone)))
                .id("$.id");
        assertThat(api.get("/api/files/{id}/relations", kept).<List<String>>at("$[*].words"))
                .containsExactly("payer", "supervisor of");
        api.post("/api/merges/{id}/undo", null, merge);
        assertThat(api.get("/api/files/{id}/relations", kept).<List<String>>at("$[*].words"))
                .containsExactly("sibling");
        assertThat(api.get("/api/files/{id}/relations", gone).<List<String>>at("$[*].words"))
                .containsExactlyInAnyOrder("payer", "supervisor of", "sibling of");
    }

    private static int version(Api api, UUID file) throws Exception {
        return api.get("/api/files/{id}", file).at("$.version");
    }
}
