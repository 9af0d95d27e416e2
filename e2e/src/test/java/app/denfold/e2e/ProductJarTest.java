package app.denfold.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import org.junit.jupiter.api.Test;

/** What a practice runs holds no test library, no demo practice and no mail server of the demo. */
class ProductJarTest {

    private static final Path JAR = Path.of("../server/target/server-0.1.0-exec.jar");

    @Test
    void holdsTheProductAlone() throws IOException {
        try (ZipFile jar = new ZipFile(JAR.toFile())) {
            List<String> names = jar.stream().map(ZipEntry::getName).toList();
            assertThat(names)
                    .anyMatch(n -> n.contains("app/denfold/server/DenFold.class"))
                    .anyMatch(n -> n.startsWith("BOOT-INF/lib/core-"))
                    .noneMatch(n -> n.matches("(?i).*/(junit|hamcrest|opentest4j|apiguardian|assertj|mockito|greenmail|"
                            + "playwright|spring-boot-test|spring-test)[^/]*[.]jar"))
                    .noneMatch(n -> n.contains("/demo/") || n.contains("application-demo"));
        }
    }
}
