package app.denfold.core.filing;

import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.core.filing.Writers.Signed;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class WritersTest {

    @Test
    void aFieldThatNamesTheWriterTells() {
        assertThat(Writers.of(Map.of("Physician", "Dr Amara Okell", "Practice no.", "77"), List.of()))
                .containsExactly("Dr Amara Okell");
        assertThat(Writers.of(Map.of("Issued by", "Oakhollin Town Hall"), List.of()))
                .containsExactly("Oakhollin Town Hall");
        assertThat(Writers.of(Map.of("Ärztin", "Dr. Ines Holt"), List.of())).containsExactly("Dr. Ines Holt");
        assertThat(Writers.of(Map.of("Name of the author", "Bo"), List.of())).containsExactly("Bo");
        assertThat(Writers.of(Map.of("Vaccine", "tetanus", "Insurer no.", "A 1"), List.of()))
                .isEmpty();
    }

    @Test
    void whoSignsForThePersonDidNotWriteIt() {
        assertThat(Writers.of(
                        Map.of(),
                        List.of(
                                new Signed("physician", "Dr Amara Okell"),
                                new Signed("guardian", "Ruth Penhallow"),
                                new Signed("payer", "Grete"),
                                new Signed("employee", "Tamsin"))))
                .containsExactly("Dr Amara Okell");
    }

    @Test
    void oneWriterIsToldOnce() {
        assertThat(Writers.of(Map.of("Physician", "Dr Okell"), List.of(new Signed("physician", "Dr Okell"))))
                .containsExactly("Dr Okell");
    }
}
