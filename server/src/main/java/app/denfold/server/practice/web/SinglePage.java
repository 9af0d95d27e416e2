package app.denfold.server.practice.web;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;

/** Serves the one HTML page of the web client for every address of it, with the nonce of its style elements. */
@Controller
class SinglePage {

    private final String page;

    SinglePage() throws IOException {
        try (InputStream in = SinglePage.class.getResourceAsStream("/static/index.html")) {
            page = in == null
                    ? "<!doctype html><title>Den Fold</title>The web client is not part of this build."
                    : new String(in.readAllBytes(), StandardCharsets.UTF_8);
        }
    }

    @GetMapping({
        "/",
        "/{first:(?!api$|assets$|actuator$|error$)[^.]*}",
        "/{first:(?!api$|assets$|actuator$|error$)[^.]*}/**"
    })
    ResponseEntity<String> page(HttpServletRequest request) {
        String nonce = String.valueOf(request.getAttribute(ContentPolicyFilter.NONCE));
        return ResponseEntity.ok()
                .contentType(new MediaType(MediaType.TEXT_HTML, StandardCharsets.UTF_8))
                .cacheControl(CacheControl.noStore())
                .body(page.replace("__NONCE__", nonce));
    }
}
