package app.denfold.core.finding;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class NearWordsTest {

    private static final List<String> KNOWN = List.of("certificate", "letter", "passport", "tetanus");

    @ParameterizedTest
    @CsvSource({
        "lett, lett",
        "leter, letter",
        "letetr, letter",
        "certifcate, certificate",
        "sertifikate, certificate",
        "pasport, passport",
        "passp, passp",
        "pasps, passport",
        "tetnus, tetanus"
    })
    void aMistypedWordOrBeginningIsSetRight(String typed, String meant) {
        assertThat(NearWords.meant(typed, KNOWN)).contains(meant);
    }

    @ParameterizedTest
    @CsvSource({"ltr", "ledger", "sertifikat3x", "xyz", "tenants"})
    void whatComesNearNothingStaysUnknown(String typed) {
        assertThat(NearWords.meant(typed, KNOWN)).isEmpty();
    }
}
