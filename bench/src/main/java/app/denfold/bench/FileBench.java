package app.denfold.bench;

import app.denfold.paper.Format;
import app.denfold.server.access.Viewer;
import app.denfold.server.content.Contents;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FilingDetails;
import app.denfold.server.zipping.ZipPapers;
import java.io.IOException;
import java.net.CookieManager;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import java.util.stream.IntStream;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * A file of many papers: what the server needs for all that its page asks for, and its papers written into a ZIP, with
 * reading the same files and {@code zip -0} in the same run as the floor.
 */
public final class FileBench {

    private static final int ZIPPED = 500;
    private static final int BYTES = 400_000;
    private static final int LOADS = 40;

    private static final String LINES = "/lines?from=" + LocalDate.now().minusYears(1) + "&to="
            + LocalDate.now().plusYears(1);

    /** What the page of a file asks for when it is opened. */
    private static final List<String> ASKED = List.of(
            "",
            "/ledger",
            LINES,
            "/relations",
            "/visits",
            "/duplicates",
            "/merges",
            "/confirmed-sections",
            "/wastebasket");

    private FileBench() {}

    public static void main(String[] arguments) throws Exception {
        int papers = arguments.length > 0 ? Integer.parseInt(arguments[0]) : 800;
        try (BenchServer server = new BenchServer()) {
            List<UUID> ids = new ArrayList<>();
            UUID file = generate(server, papers, ids);
            BenchServer.asOwner().sql("analyze").update();
            page(server.address(), file, papers);
            zip(server, ids.subList(0, Math.min(ZIPPED, ids.size())));
        }
    }

    private static UUID generate(BenchServer server, int papers, List<UUID> ids) {
        LocalDate today = LocalDate.now();
        UUID file = server.newFile();
        List<String> types = List.of("letter", "invoice", "note", "contract", "first-aid", "passport", "handbook");
        Contents contents = server.bean(Contents.class);
        Documents documents = server.bean(Documents.class);
        TransactionTemplate transactions = server.bean(TransactionTemplate.class);
        for (int from = 0; from < papers; from += 100) {
            int first = from;
            transactions.executeWithoutResult(
                    t -> IntStream.range(first, Math.min(papers, first + 100)).forEach(i -> {
                        byte[] bytes = new byte[BYTES];
                        new Random(i).nextBytes(bytes);
                        String sha256 = contents.keep(bytes, Format.PDF, 1);
                        LocalDate dated = today.minusDays(i % 1_000);
                        ids.add(documents
                                .takeOver(
                                        server.viewer().actor(),
                                        new FilingDetails(file, types.get(i % types.size()), dated, null, null),
                                        new Documents.Received(sha256, dated, "dropped"),
                                        Documents.History.none())
                                .id());
                    }));
        }
        return file;
    }

    private static void page(String base, UUID file, int papers) throws Exception {
        CookieManager cookies = new CookieManager();
        HttpClient client = HttpClient.newBuilder().cookieHandler(cookies).build();
        get(client, base + "/api/practice");
        String token = cookies.getCookieStore().getCookies().stream()
                .filter(c -> c.getName().equals("XSRF-TOKEN"))
                .findFirst()
                .orElseThrow()
                .getValue();
        HttpRequest signIn = HttpRequest.newBuilder(URI.create(base + "/api/session"))
                .header("Content-Type", "application/json")
                .header("X-XSRF-TOKEN", token)
                .POST(HttpRequest.BodyPublishers.ofString(
                        "{\"email\":\"" + BenchServer.EMAIL + "\",\"password\":\"" + BenchServer.PASSWORD + "\"}"))
                .build();
        require(client.send(signIn, HttpResponse.BodyHandlers.ofString()));
        double[] whole = new double[LOADS];
        Map<String, double[]> each = new LinkedHashMap<>();
        ASKED.forEach(what -> each.put(what, new double[LOADS]));
        for (int i = -20; i < LOADS; i++) {
            double sum = 0;
            for (String what : ASKED) {
                long begun = System.nanoTime();
                get(client, base + "/api/files/" + file + what);
                double took = (System.nanoTime() - begun) / 1e6;
                sum += took;
                if (i >= 0) {
                    each.get(what)[i] = took;
                }
            }
            if (i >= 0) {
                whole[i] = sum;
            }
        }
        Figures.told("papers-in-the-file", papers, "papers");
        each.forEach((what, took) -> Figures.told(
                "file" + what.replaceAll("[?].*", "").replace('/', '-') + "-median", Figures.median(took), "ms"));
        Figures.told("file-page-median", Figures.median(whole), "ms");
        Figures.atMost("file-page-95", Figures.percentile95(whole), "ms", 300);
    }

    private static void get(HttpClient client, String address) throws Exception {
        require(client.send(HttpRequest.newBuilder(URI.create(address)).build(), HttpResponse.BodyHandlers.ofString()));
    }

    private static void require(HttpResponse<String> answer) {
        if (answer.statusCode() >= 400) {
            throw new IllegalStateException(answer.uri() + " answered " + answer.statusCode() + ": " + answer.body());
        }
    }

    private static void zip(BenchServer server, List<UUID> ids) throws Exception {
        Viewer viewer = server.viewer();
        ZipPapers papers = server.bean(ZipPapers.class);
        Contents contents = server.bean(Contents.class);
        List<Path> files = server.bean(Documents.class).visible(viewer, ids).stream()
                .map(d -> contents.file(d.latest().sha256()))
                .toList();
        Path folder = java.nio.file.Files.createTempDirectory("zip-bench");
        double[] ours = new double[5];
        double[] floor = new double[5];
        try {
            for (int i = -1; i < ours.length; i++) {
                double mine = timed(() -> papers.write(viewer, ids, folder.resolve("ours.zip"), done -> {}));
                double theirs = timed(() -> readAndZip(files, folder.resolve("floor.zip")));
                if (i >= 0) {
                    ours[i] = mine;
                    floor[i] = theirs;
                }
                java.nio.file.Files.delete(folder.resolve("ours.zip"));
                java.nio.file.Files.delete(folder.resolve("floor.zip"));
            }
        } finally {
            java.nio.file.Files.delete(folder);
        }
        double megabytes = ids.size() * (double) BYTES / 1e6;
        Figures.told("zip-rate", megabytes / (Figures.median(ours) / 1e3), "MB/s");
        Figures.told("read-and-zip-0-rate", megabytes / (Figures.median(floor) / 1e3), "MB/s");
        Figures.atLeast("zip-of-read-and-zip-0", 100 * Figures.median(floor) / Figures.median(ours), "%", 60);
    }

    private interface Work {
        void run() throws Exception;
    }

    private static double timed(Work work) throws Exception {
        long begun = System.nanoTime();
        work.run();
        return (System.nanoTime() - begun) / 1e6;
    }

    private static void readAndZip(List<Path> files, Path to) throws IOException, InterruptedException {
        run(List.of("xargs", "cat"), files, ProcessBuilder.Redirect.DISCARD);
        run(List.of("zip", "-0", "-q", "-j", to.toString(), "-@"), files, ProcessBuilder.Redirect.DISCARD);
    }

    private static void run(List<String> command, List<Path> files, ProcessBuilder.Redirect out)
            throws IOException, InterruptedException {
        Process process = new ProcessBuilder(command)
                .redirectOutput(out)
                .redirectError(ProcessBuilder.Redirect.INHERIT)
                .start();
        try (var in = process.getOutputStream()) {
            for (Path file : files) {
                in.write((file + "\n").getBytes(StandardCharsets.UTF_8));
            }
        }
        if (process.waitFor() != 0) {
            throw new IllegalStateException(command + " ended with " + process.exitValue());
        }
    }
}
