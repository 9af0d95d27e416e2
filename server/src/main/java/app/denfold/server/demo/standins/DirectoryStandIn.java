package app.denfold.server.demo.standins;

import io.swagger.v3.oas.annotations.Hidden;
import java.util.List;
import java.util.Map;
import org.springframework.context.annotation.Profile;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

/** Answers like a directory elsewhere that knows a few people by number. */
@RestController
@Profile("demo")
@Hidden
class DirectoryStandIn {

    private static final Map<String, Map<String, Object>> PEOPLE = Map.of(
            "D-20417",
            Map.of(
                    "givenName",
                    "Ilka",
                    "familyName",
                    "Sandmark",
                    "birthDate",
                    "1988-07-14",
                    "email",
                    "ilka.sandmark@post.example",
                    "formerNames",
                    List.of("Torvik"),
                    "facts",
                    Map.of("role", "groom")),
            "D-20533",
            Map.of("givenName", "Tobin", "familyName", "Arkwell", "birthDate", "2001-02-27"));

    @GetMapping("/demo-directory/{number}")
    ResponseEntity<Map<String, Object>> person(@PathVariable String number) {
        return ResponseEntity.ofNullable(PEOPLE.get(number));
    }
}
