package app.denfold.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import app.denfold.server.access.accounts.Accounts;
import app.denfold.server.access.accounts.NewAccount;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.context.TestPropertySource;
import org.springframework.test.web.servlet.MockMvc;

/** A practice that is reached over TLS: no cookie goes any other way, and browsers are told to stay with it. */
@ServerTest
@TestPropertySource(properties = "denfold.address=https://papers.oakhollin.example")
class BehindTlsTest {

    private static final String PASSWORD = "seven lanterns by the gate";

    @Autowired
    MockMvc mvc;

    @Autowired
    Accounts accounts;

    @Test
    void cookiesAreSecureAndBrowsersStayWithTls() throws Exception {
        String email = TestPractice.newAddress();
        accounts.setPassword(
                accounts.open(NewAccount.administrator(email, "Ottilie Brandmoor"))
                        .accountId(),
                PASSWORD);
        MockHttpServletResponse signedIn = mvc.perform(post("/api/session")
                        .secure(true)
                        .with(csrf())
                        .contentType(MediaType.APPLICATION_JSON)
                        .content("{\"email\":\"" + email + "\",\"password\":\"" + PASSWORD + "\"}"))
                .andReturn()
                .getResponse();
        assertThat(signedIn.getStatus()).isEqualTo(200);
        MockHttpServletResponse first =
                mvc.perform(get("/api/practice").secure(true)).andReturn().getResponse();
        List<String> cookies = new ArrayList<>(signedIn.getHeaders("Set-Cookie"));
        cookies.addAll(first.getHeaders("Set-Cookie"));
        assertThat(cookies).isNotEmpty().allMatch(c -> c.contains("Secure"), "Secure");
        assertThat(first.getHeader("Strict-Transport-Security")).contains("max-age=");
    }
}
