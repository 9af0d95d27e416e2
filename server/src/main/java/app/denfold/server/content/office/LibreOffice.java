package app.denfold.server.content.office;

import app.denfold.paper.Format;
import app.denfold.paper.worker.Sandbox;
import app.denfold.paper.worker.WorkFolder;
import app.denfold.server.problems.Refusal;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
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

    private final String command;
    private final Sandbox sandbox;

    /** @param command a name on the path or a whole path */
    LibreOffice(@Value("${denfold.office.command:soffice}") String command, Sandbox sandbox) {
        this.command = command;
        this.sandbox = sandbox;
    }

    /**
     * @return the pages as PDF in a temporary file, which the caller deletes
     * @throws Refusal when LibreOffice is missing, or cannot read the file in 90 s
     */
    Path layOut(Path file, Format format) throws IOException {
        return converted(file, format, "pdf", "");
    }

    /**
     * @param to ending of what it is made into
     * @param filter how, as LibreOffice calls it after the ending; empty for its usual way
     * @return the same in another format in a temporary file, which the caller deletes
     * @throws Refusal when LibreOffice is missing, or cannot read the file in 90 s
     */
    Path converted(Path file, Format format, String to, String filter) throws IOException {
        try (WorkFolder folder = sandbox.folder()) {
            Path source = folder.receive(file, "paper." + format.ending());
            distrust(folder);
            Process process = start(folder, source, to + filter);
            if (!ended(process)) {
                LOG.warn("An office file of {} bytes could not be laid out", Files.size(file));
                throw notLaidOut();
            }
            Path made = Files.createTempFile("laid-out", "." + to);
            try {
                folder.take("paper." + to, made);
                return made;
            } catch (IOException nothing) {
                Files.deleteIfExists(made);
                throw notLaidOut();
            }
        }
    }

    static Refusal notLaidOut() {
        return Refusal.conflict(
                "not-laid-out", "This file cannot be laid out as pages; its words are shown. Download it to see it.");
    }

    private Process start(WorkFolder folder, Path source, String to) throws IOException {
        List<String> whole = List.of(
                command,
                "-env:UserInstallation=" + folder.path().resolve("profile").toUri(),
                "--headless",
                "--norestore",
                "--convert-to",
                to,
                "--outdir",
                folder.path().toString(),
                source.toString());
        if (!isThere()) {
            throw Refusal.conflict(
                    "no-layout",
                    "Nothing that lays out office files is installed on the server, so its words are shown. Download it"
                            + " to see its pages; an administrator can install LibreOffice.");
        }
        return sandbox.confined(folder, whole)
                .redirectErrorStream(true)
                .redirectOutput(ProcessBuilder.Redirect.DISCARD)
                .start();
    }

    private boolean isThere() {
        if (command.contains("/")) {
            return Files.isExecutable(Path.of(command));
        }
        return Sandbox.SEARCHED.stream().anyMatch(folder -> Files.isExecutable(folder.resolve(command)));
    }

    /** Writes the settings of a profile before it is used for the first time. */
    private static void distrust(WorkFolder folder) throws IOException {
        try (InputStream settings = LibreOffice.class.getResourceAsStream("/office/registrymodifications.xcu")) {
            folder.write("profile/user/registrymodifications.xcu", settings.readAllBytes());
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
