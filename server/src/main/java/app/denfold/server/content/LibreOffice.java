package app.denfold.server.content;

import app.denfold.server.problems.Refusal;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * Runs LibreOffice for one file that somebody sent. It is trusted with nothing: each run has a process, a profile and a
 * home of its own, sees none of the server's environment, runs no macro, and loads neither from the network nor from the
 * server's disk what the file links to.
 */
@Component
class LibreOffice {

    private static final Logger LOG = LoggerFactory.getLogger(LibreOffice.class);
    private static final long SECONDS = 90;
    private static final String SEARCHED = "/usr/local/bin:/usr/bin:/bin";

    private final String command;

    /** @param command a name on the path or a whole path */
    LibreOffice(@Value("${denfold.office.command:soffice}") String command) {
        this.command = command;
    }

    /**
     * @param folder an empty folder but for the source; everything made is left there
     * @return the pages as PDF
     * @throws Refusal when LibreOffice is missing, or cannot read the file in 90 s
     */
    Path layOut(Path folder, Path source) throws IOException {
        Process process = start(folder, source);
        Path made = folder.resolve("paper.pdf");
        if (!ended(process) || !Files.exists(made)) {
            LOG.warn("An office file of {} bytes could not be laid out", Files.size(source));
            throw Refusal.conflict(
                    "not-laid-out",
                    "This file cannot be laid out as pages; its words are shown. Download it to see it.");
        }
        return made;
    }

    private Process start(Path folder, Path source) throws IOException {
        Path profile = folder.resolve("profile");
        distrust(profile);
        ProcessBuilder builder = new ProcessBuilder(
                        command,
                        "-env:UserInstallation=" + profile.toUri(),
                        "--headless",
                        "--norestore",
                        "--convert-to",
                        "pdf",
                        "--outdir",
                        folder.toString(),
                        source.toString())
                .redirectErrorStream(true)
                .redirectOutput(folder.resolve("log").toFile());
        Map<String, String> environment = builder.environment();
        environment.clear();
        String own = folder.toString();
        environment.putAll(Map.of("PATH", SEARCHED, "HOME", own, "TMPDIR", own, "LC_ALL", "C.UTF-8"));
        try {
            return builder.start();
        } catch (IOException missing) {
            throw Refusal.conflict(
                    "no-layout",
                    "Nothing that lays out office files is installed on the server, so its words are shown. Download it"
                            + " to see its pages; an administrator can install LibreOffice.");
        }
    }

    /** Writes the settings of a profile before it is used for the first time. */
    private static void distrust(Path profile) throws IOException {
        Path user = Files.createDirectories(profile.resolve("user"));
        try (InputStream settings = LibreOffice.class.getResourceAsStream("/office/registrymodifications.xcu")) {
            Files.copy(settings, user.resolve("registrymodifications.xcu"));
        }
    }

    private static boolean ended(Process process) {
        try {
            return process.waitFor(SECONDS, TimeUnit.SECONDS);
        } catch (InterruptedException stopped) {
            Thread.currentThread().interrupt();
            return false;
        } finally {
            process.descendants().forEach(ProcessHandle::destroyForcibly);
            process.destroyForcibly();
        }
    }
}
