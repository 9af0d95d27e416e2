package app.denfold.core.people;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class MergeValuesTest {

    private static final Map<String, String> KEPT = Map.of("name", "Edie", "level", "2");
    private static final Map<String, String> GONE = Map.of("name", "Edith", "level", "3", "mail", "e@post.example");

    @Test
    void theKeptValueHoldsUnlessTheOtherIsChosenAndGapsAreFilled() {
        assertThat(MergeValues.together(KEPT, GONE, Set.of("level", "unknown")))
                .containsOnly(Map.entry("name", "Edie"), Map.entry("level", "3"), Map.entry("mail", "e@post.example"));
    }

    @Test
    void whatWasChangedSinceStays() {
        Map<String, String> after = MergeValues.together(KEPT, GONE, Set.of("level"));
        Map<String, String> now = Map.of("name", "Edie", "level", "4", "mail", "e@post.example", "group", "B");
        assertThat(MergeValues.apart(now, KEPT, after))
                .containsOnly(Map.entry("name", "Edie"), Map.entry("level", "4"), Map.entry("group", "B"));
    }

    @Test
    void aValueTakenOutSinceStaysOut() {
        Map<String, String> after = MergeValues.together(KEPT, GONE, Set.of());
        assertThat(MergeValues.apart(Map.of("name", "Edie", "mail", "e@post.example"), KEPT, after))
                .containsOnly(Map.entry("name", "Edie"));
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10})
    void apartAfterTogetherIsWhatItWas(int seed) {
        Random random = new Random(seed);
        Map<String, Integer> kept = some(random);
        Map<String, Integer> gone = some(random);
        Map<String, Integer> after =
                MergeValues.together(kept, gone, some(random).keySet());
        assertThat(MergeValues.apart(after, kept, after)).isEqualTo(kept);
        assertThat(after.keySet()).containsAll(kept.keySet()).containsAll(gone.keySet());
    }

    private static Map<String, Integer> some(Random random) {
        Map<String, Integer> values = new HashMap<>();
        for (int i = 0; i < 8; i++) {
            values.put("v" + random.nextInt(12), random.nextInt(3));
        }
        return values;
    }

    @Test
    void listsGrowAndShrinkByWhatTheMergeAdded() {
        List<String> after = MergeValues.union(List.of("a", "b"), List.of("b", "c"));
        assertThat(after).containsExactly("a", "b", "c");
        assertThat(MergeValues.without(List.of("b", "c", "d"), List.of("a", "b"), after))
                .containsExactly("b", "d");
    }
}
