package app.denfold.core.signing;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A typed name is a signature only of whom it names. */
class TypedNameTest {

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "Tamsin Korhola | Tamsin Korhola",
                "Tamsin Korhola | tamsin KORHOLA",
                "Tamsin Korhola | Korhola, Tamsin",
                "Tamsin Korhola | T. Korhola",
                "Tamsin Korhola | Korhola",
                "Hedda Nørgaard-Lind | Hedda Norgaard Lind",
                "Ana Maria Ščerba | A. M. Scerba",
                "Dr. Ansgar Wolfreth | Ansgar Wolfreth",
                "Maren Solbakke, auditor | Maren Solbakke",
                "Korhola, Tamsin | Tamsin Korhola",
                "王小明 | 王小明",
                "Lower Stables | Lower Stables"
            })
    void isOf(String name, String typed) {
        assertThat(TypedName.isOf(name, typed)).isTrue();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "Tamsin Korhola | Bram Ostervelt",
                "Tamsin Korhola | Tamsin",
                "Tamsin Korhola | T. K.",
                "Tamsin Korhola | Petra Korhola",
                "Tamsin Korhola | P. Korhola",
                "Tamsin Korhola | Tamsin Korhola Ostervelt",
                "Tamsin Korhola | T. T. Korhola",
                "Maren Solbakke, auditor | auditor",
                "Hedda Nørgaard-Lind | Hedda Norgaard",
                "Tamsin Korhola | '...'"
            })
    void isNotOf(String name, String typed) {
        assertThat(TypedName.isOf(name, typed)).isFalse();
    }
}
