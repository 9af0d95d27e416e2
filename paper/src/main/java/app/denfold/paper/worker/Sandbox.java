package app.denfold.paper.worker;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.nio.file.attribute.UserPrincipal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;

/**
 * How a process that handles hostile papers is started: with nothing of the server's environment, in a folder of its
 * own, without a network and as another user where the system allows. What the system allows is found out once, by
 * trying it.
 */
public final class Sandbox {

    /** Where programs that are started by their name are looked for. */
    public static final List<Path> SEARCHED = List.of(Path.of("/usr/local/bin"), Path.of("/usr/bin"), Path.of("/bin"));

    private static final int ROOT = 0;

    private final Path root;
    private final List<String> prefix;
    private final Optional<UserPrincipal> user;

    private Sandbox(Path root, List<String> prefix, Optional<UserPrincipal> user) {
        this.root = root;
        this.prefix = List.copyOf(prefix);
        this.user = user;
    }

    /**
     * @param root where each process gets its folder; made if it is not there
     * @param user whom the processes run as, where this process is root's and that user can read the program
     */
    public static Sandbox in(Path root, String user) throws IOException {
        Files.createDirectories(root);
        if (!isRoot()) {
            List<String> alone = List.of(
                    "unshare",
                    "--user",
                    "--map-current-user",
                    "--net",
                    "--pid",
                    "--fork",
                    "--kill-child",
                    "--mount-proc",
                    "--");
            return new Sandbox(root, works(alone, List.of("true")) ? alone : List.of(), Optional.empty());
        }
        List<String> prefix = new ArrayList<>();
        List<String> noNetwork = List.of("unshare", "--net", "--");
        if (works(noNetwork, List.of("true"))) {
            prefix.addAll(noNetwork);
        }
        List<String> asUser =
                List.of("setpriv", "--reuid=" + user, "--regid=nogroup", "--clear-groups", "--no-new-privs", "--");
        if (works(asUser, canReadProgram(root))) {
            Files.setPosixFilePermissions(root, PosixFilePermissions.fromString("rwx--x--x"));
            prefix.addAll(asUser);
            return new Sandbox(root, prefix, Optional.of(userCalled(root, user)));
        }
        return new Sandbox(root, prefix, Optional.empty());
    }

    private static UserPrincipal userCalled(Path root, String user) throws IOException {
        return root.getFileSystem().getUserPrincipalLookupService().lookupPrincipalByName(user);
    }

    private static boolean isRoot() throws IOException {
        return Integer.valueOf(ROOT).equals(Files.getAttribute(Path.of("/proc/self"), "unix:uid"));
    }

    /** Fails unless the Java program and all it is made of can be read, and the folders be walked through. */
    private static List<String> canReadProgram(Path root) {
        List<String> command = new ArrayList<>(
                List.of("sh", "-c", "cd \"$0\" && for f in \"$@\"; do [ -r \"$f\" ] || exit 1; done", root.toString()));
        command.add(javaCommand());
        for (String part : classPath().split(":")) {
            if (Files.exists(Path.of(part))) {
                command.add(part);
            }
        }
        return command;
    }

    private static boolean works(List<String> prefix, List<String> command) {
        List<String> whole = new ArrayList<>(prefix);
        whole.addAll(command);
        try {
            Process process = new ProcessBuilder(whole)
                    .redirectErrorStream(true)
                    .redirectOutput(ProcessBuilder.Redirect.DISCARD)
                    .start();
            return process.waitFor(20, TimeUnit.SECONDS) && process.exitValue() == 0;
        } catch (IOException missing) {
            return false;
        } catch (InterruptedException stopped) {
            Thread.currentThread().interrupt();
            return false;
        }
    }

    static String javaCommand() {
        return Path.of(System.getProperty("java.home"), "bin", "java").toString();
    }

    /** Absolute, since the processes start in folders of their own. */
    static String classPath() {
        List<String> parts = new ArrayList<>();
        for (String part : System.getProperty("java.class.path").split(":")) {
            parts.add(Path.of(part).toAbsolutePath().toString());
        }
        return String.join(":", parts);
    }

    /** Whether the processes run as another user than this one. */
    public boolean isOtherUser() {
        return user.isPresent();
    }

    /** Whether the processes are kept from the network. */
    public boolean isOffline() {
        return prefix.contains("unshare");
    }

    /** An empty folder for one process. */
    public WorkFolder folder() throws IOException {
        Path folder = Files.createTempDirectory(
                root, "w", PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rwx------")));
        user.ifPresent(owner -> {
            try {
                Files.setOwner(folder, owner);
            } catch (IOException failed) {
                throw new UncheckedIOException(failed);
            }
        });
        return new WorkFolder(folder, user);
    }

    /** A process confined to its folder that is yet to be started; its output goes nowhere unless it is redirected. */
    public ProcessBuilder confined(WorkFolder folder, List<String> command) {
        List<String> whole = new ArrayList<>(prefix);
        whole.addAll(command);
        ProcessBuilder builder = new ProcessBuilder(whole)
                .directory(folder.path().toFile())
                .redirectError(ProcessBuilder.Redirect.DISCARD);
        Map<String, String> environment = builder.environment();
        String models = environment.get("TESSDATA_PREFIX");
        environment.clear();
        String own = folder.path().toString();
        environment.putAll(Map.of("PATH", path(), "HOME", own, "TMPDIR", own, "LC_ALL", "C.UTF-8"));
        if (models != null) {
            environment.put("TESSDATA_PREFIX", models);
        }
        return builder;
    }

    private static String path() {
        return SEARCHED.stream().map(Path::toString).collect(Collectors.joining(":"));
    }
}
