package app.denfold.core.filing;

import static app.denfold.core.filing.TypeField.Found.AFTER_WORDS;
import static app.denfold.core.filing.TypeField.Found.BY_HAND;
import static app.denfold.core.filing.TypeField.Found.BY_SHAPE;
import static app.denfold.core.filing.TypeField.Found.IN_CODE;
import static app.denfold.core.filing.TypeField.Found.IN_FORM;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class FindFieldsTest {

    private static final String POLICY = """
            Harrow Mutual Care
            Policy no.: HMC 4471-09      Valid from 1 March 2026
            Member number
            88 20 17
            Certificate FH-2024-118 of the course.""";

    private static Map<String, Proposal<String>> found(TypeField field, List<String> codes, Map<String, String> form) {
        Clues clues = new Clues(
                List.of(Clues.PageClues.of(1, "Dear all"), new Clues.PageClues(2, POLICY, codes, false)), null, null);
        return FindFields.in(List.of(field), clues, form);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
                    Policy            | HMC 4471-09
                    policy  no.       | HMC 4471-09
                    Member number     | 88 20 17
                    Member            | 88 20 17
                    Valid from        | 1 March 2026
                    Certificate       | FH-2024-118 of the course""")
    void whatStandsBehindTheWords(String words, String value) {
        Proposal<String> proposal = found(new TypeField("Number", AFTER_WORDS, words), List.of(), Map.of())
                .get("Number");
        assertThat(proposal.value()).isEqualTo(value);
        assertThat(proposal.reason()).isEqualTo("after “" + words + "” on page 2");
    }

    @Test
    void wordsWithinOtherWordsAreNone() {
        assertThat(found(new TypeField("Number", AFTER_WORDS, "olic"), List.of(), Map.of()))
                .isEmpty();
    }

    @Test
    void byShapeTheFirstGroupCountsOrElseTheWhole() {
        assertThat(found(new TypeField("No", BY_SHAPE, "FH-\\d{4}-\\d+"), List.of(), Map.of())
                        .get("No")
                        .value())
                .isEqualTo("FH-2024-118");
        assertThat(found(new TypeField("No", BY_SHAPE, "FH-\\d{4}-(\\d+)"), List.of(), Map.of())
                        .get("No")
                        .value())
                .isEqualTo("118");
    }

    @Test
    void anExpressionWithoutEndFindsNothingAndComesBack() {
        TypeField endless = new TypeField("No", BY_SHAPE, "((\\w+\\s*)+)+#");
        assertThat(found(endless, List.of(), Map.of())).isEmpty();
    }

    @Test
    void codesOfCoverSheetsAreNoValues() {
        List<String> codes = List.of("denfold:file=O-0147", "9310072201");
        assertThat(found(new TypeField("No", IN_CODE, ""), codes, Map.of())
                        .get("No")
                        .value())
                .isEqualTo("9310072201");
        assertThat(found(new TypeField("No", IN_CODE, "^93(\\d{4})"), codes, Map.of())
                        .get("No")
                        .value())
                .isEqualTo("1007");
        assertThat(found(new TypeField("No", IN_CODE, "^A"), codes, Map.of())).isEmpty();
    }

    @Test
    void aFormsFieldIsNamedInFullOrByItsLastPart() {
        Map<String, String> form = Map.of("person.policy", "HMC 1", "empty", " ");
        assertThat(found(new TypeField("No", IN_FORM, "Policy"), List.of(), form)
                        .get("No")
                        .value())
                .isEqualTo("HMC 1");
        assertThat(found(new TypeField("No", IN_FORM, "empty"), List.of(), form))
                .isEmpty();
        assertThat(found(new TypeField("No", BY_HAND, ""), List.of(), form)).isEmpty();
    }

    @Test
    void aFieldThatCannotBeIsRefusedInWords() {
        assertThatThrownBy(() -> new TypeField("a, b", BY_HAND, "")).hasMessageContaining("without commas");
        assertThatThrownBy(() -> new TypeField("No", AFTER_WORDS, " ")).hasMessageContaining("“No” is found");
        assertThatThrownBy(() -> new TypeField("No", BY_SHAPE, "(")).hasMessageContaining("no regular expression");
    }
}
