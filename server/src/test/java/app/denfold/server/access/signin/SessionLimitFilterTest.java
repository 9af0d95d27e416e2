package app.denfold.server.access.signin;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import app.denfold.server.practice.PracticeSettings;
import app.denfold.server.practice.SessionLimits;
import java.time.Duration;
import org.junit.jupiter.api.Test;
import org.springframework.mock.web.MockFilterChain;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.mock.web.MockHttpSession;

class SessionLimitFilterTest {

    private final PracticeSettings settings = mock(PracticeSettings.class);

    private MockHttpSession asked(Duration ago) throws Exception {
        when(settings.sessionLimits()).thenReturn(new SessionLimits(Duration.ofMinutes(30), Duration.ofHours(12)));
        MockHttpSession session = new MockHttpSession();
        session.setAttribute(SessionLimitFilter.BEGUN, System.currentTimeMillis() - ago.toMillis());
        MockHttpServletRequest request = new MockHttpServletRequest("GET", "/api/board");
        request.setSession(session);
        new SessionLimitFilter(settings).doFilter(request, new MockHttpServletResponse(), new MockFilterChain());
        return session;
    }

    @Test
    void aSessionEndsAfterItsLongestTimeHoweverMuchIsAsked() throws Exception {
        assertThat(asked(Duration.ofHours(13)).isInvalid()).isTrue();
        assertThat(asked(Duration.ofHours(11)).isInvalid()).isFalse();
    }

    @Test
    void anOpenSessionFollowsAChangedLimit() throws Exception {
        assertThat(asked(Duration.ofHours(1)).getMaxInactiveInterval()).isEqualTo(30 * 60);
    }
}
