package app.denfold.core.signing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.UUID;
import org.junit.jupiter.api.Test;

class PenCodeTest {

    @Test
    void itIsReadAsItWasWritten() {
        PenCode code = new PenCode(UUID.randomUUID(), 2, 3);
        assertThat(PenCode.read(" " + code.written() + "\n")).contains(code);
    }

    @Test
    void whatIsNoneIsNone() {
        UUID turn = UUID.randomUUID();
        assertThat(PenCode.read("denfold:file=O-0147;type=first-aid")).isEmpty();
        assertThat(PenCode.read("denfold:sign=" + turn + ";page=4;of=3")).isEmpty();
        assertThat(PenCode.read("denfold:sign=" + turn + ";page=0;of=3")).isEmpty();
        assertThat(PenCode.read("denfold:sign=nobody;page=1;of=3")).isEmpty();
        assertThatThrownBy(() -> new PenCode(turn, 0, 1)).isInstanceOf(IllegalArgumentException.class);
    }
}
