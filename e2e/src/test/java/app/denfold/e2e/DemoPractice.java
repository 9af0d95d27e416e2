package app.denfold.e2e;

import app.denfold.server.FreshDatabase;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import org.springframework.util.FileSystemUtils;

/**
 * The demo practice as it is loaded into an empty installation without recognition. It is loaded once; each test's server
 * begins with a copy of its database and folders.
 */
record DemoPractice(String database, Path folder) {

    private static DemoPractice loaded;

    static synchronized DemoPractice loaded() throws IOException, InterruptedException {
        if (loaded == null) {
            Path folder = Files.createTempDirectory(
                    "demo-practice",
                    PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rwx--x--x")));
            Runtime.getRuntime().addShutdownHook(new Thread(() -> deleteQuietly(folder)));
            ServerProcess server = new ServerProcess(folder).withoutRecognition();
            server.startEmpty();
            loaded = server.stoppedAt();
        }
        return loaded;
    }

    private static void deleteQuietly(Path folder) {
        try {
            FileSystemUtils.deleteRecursively(folder);
        } catch (IOException left) {
            System.err.println("The demo practice was left in " + folder + ": " + left.getMessage());
        }
    }

    /** @return the address of a database of its own */
    String copyTo(Path target) throws IOException, InterruptedException {
        for (String part : new String[] {"content", "keys", "pickup"}) {
            Process copy = new ProcessBuilder("cp", "-a", folder.resolve(part).toString(), target.toString())
                    .inheritIO()
                    .start();
            if (copy.waitFor() != 0) {
                throw new IOException("The folder " + part + " of the demo practice could not be copied.");
            }
        }
        return FreshDatabase.copy(database);
    }
}
