package app.denfold.server.demo;

import app.denfold.core.filing.CoverCode;
import app.denfold.paper.codes.CoverSheet;
import app.denfold.server.people.PersonDetails;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.concurrent.TimeUnit;

/**
 * Saves papers of the demo's employees as an office scanner would: 300 dots an inch, grey, slightly turned, with specks,
 * slowly and in pieces.
 */
final class ScannerStandIn {

    /** The number of the demo's first employee. */
    private static final int FIRST_NUMBER = 137;

    private static final List<String[]> TYPES = List.of(
            new String[] {"first-aid", "First aid certificate"},
            new String[] {"handbook", "Handbook receipt"},
            new String[] {"manual-handling", "Manual handling"});

    private final Options options;
    private final Random random;
    private final List<PersonDetails> employees;

    private ScannerStandIn(Options options) {
        this.options = options;
        this.random = new Random(options.seed);
        this.employees = DemoPeople.of(LocalDate.now(), false).stream()
                .filter(p -> p.kind().equals("employee"))
                .toList();
    }

    private record Options(Path to, String format, boolean stack, int papers, long pause, long seed) {

        static Options read(String[] arguments) {
            List<String> given = Arrays.asList(arguments);
            return new Options(
                    Path.of(value(given, "--to", "var/pickup/Office desk")),
                    value(given, "--as", "pdf"),
                    given.contains("--stack"),
                    Integer.parseInt(value(given, "--papers", "3")),
                    Long.parseLong(value(given, "--pause", "400")),
                    Long.parseLong(value(given, "--seed", String.valueOf(System.currentTimeMillis()))));
        }

        private static String value(List<String> given, String name, String otherwise) {
            // the last one given counts
            int at = given.lastIndexOf(name);
            return at >= 0 && at + 1 < given.size() ? given.get(at + 1) : otherwise;
        }
    }

    public static void main(String[] arguments) throws IOException, InterruptedException {
        if (Arrays.asList(arguments).contains("--help")) {
            System.out.println("""
                    ./denfold scan saves papers into a pickup folder as a scanner does.
                      --to FOLDER       where to; var/pickup/Office desk if not given
                      --as FORMAT       pdf, tiff or jpeg (jpeg saves each page by itself); pdf if not given
                      --papers N        how many papers; 3 if not given
                      --stack           all of them in one go, with a cover sheet before each
                      --pause MS        rest between two pages, in milliseconds; 400 if not given
                      --seed N          the same number makes the same papers""");
            return;
        }
        Options options = Options.read(arguments);
        if (!List.of("pdf", "tiff", "jpeg").contains(options.format)) {
            System.err.println("denfold: scan saves as pdf, tiff or jpeg, not as " + options.format + ".");
            System.exit(1);
        }
        if (options.papers < 1 || options.papers > 200) {
            System.err.println("denfold: scan saves from 1 to 200 papers.");
            System.exit(1);
        }
        new ScannerStandIn(options).scan();
    }

    /** Saves a few papers, each by itself or all as one stack with cover sheets. */
    static void save(Path to, boolean stack) throws IOException, InterruptedException {
        new ScannerStandIn(new Options(to, "pdf", stack, 3, 150, System.nanoTime())).scan();
    }

    private void scan() throws IOException, InterruptedException {
        Files.createDirectories(options.to);
        List<BufferedImage> stack = new ArrayList<>();
        for (int i = 0; i < options.papers; i++) {
            int who = random.nextInt(employees.size());
            String[] type = TYPES.get(random.nextInt(TYPES.size()));
            List<BufferedImage> pages = new ArrayList<>();
            if (options.stack) {
                pages.addAll(cover(who, type));
            }
            pages.addAll(paper(employees.get(who), type));
            if (options.stack) {
                stack.addAll(pages);
            } else {
                save(pages);
            }
        }
        if (options.stack) {
            save(stack);
        }
    }

    private List<BufferedImage> cover(int who, String[] type) throws IOException {
        PersonDetails person = employees.get(who);
        String number = "E-%04d".formatted(FIRST_NUMBER + who);
        byte[] sheet = CoverSheet.pdf(List.of(new CoverSheet.Sheet(
                new CoverCode(number, type[0]).written(),
                List.of(person.givenName() + " " + person.familyName(), number, type[1]))));
        return DemoPapers.scannedPages(sheet, 300, random.nextLong());
    }

    private List<BufferedImage> paper(PersonDetails person, String[] type) throws IOException {
        String day = DateTimeFormatter.ofPattern("d MMMM uuuu", Locale.ENGLISH)
                .format(LocalDate.now().minusDays(1 + random.nextInt(20)));
        byte[] typed = DemoPapers.typed(
                PaperText.letterhead(type[0]),
                List.of(
                        "# " + type[1],
                        "",
                        "For " + person.givenName() + " " + person.familyName() + ",",
                        "born "
                                + DateTimeFormatter.ofPattern("d MMMM uuuu", Locale.ENGLISH)
                                        .format(person.birthDate()) + ".",
                        "",
                        "Issued " + day));
        return DemoPapers.scannedPages(typed, 300, random.nextLong());
    }

    private void save(List<BufferedImage> pages) throws IOException, InterruptedException {
        if (options.format.equals("jpeg")) {
            for (BufferedImage page : pages) {
                write(DemoPapers.jpeg(page), "jpg", 1);
            }
        } else if (options.format.equals("tiff")) {
            write(DemoPapers.tiff(pages), "tif", pages.size());
        } else {
            write(DemoPapers.imagesAsPdf(pages), "pdf", pages.size());
        }
    }

    /** In as many pieces as there are pages, resting between them: nobody may take it before it is whole. */
    private void write(byte[] bytes, String ending, int pieces) throws IOException, InterruptedException {
        Path file = options.to.resolve("scan_%06d.%s".formatted(random.nextInt(1_000_000), ending));
        try (OutputStream out = Files.newOutputStream(file)) {
            int from = 0;
            for (int i = 1; i <= pieces; i++) {
                int to = (int) ((long) bytes.length * i / pieces);
                out.write(bytes, from, to - from);
                out.flush();
                from = to;
                TimeUnit.MILLISECONDS.sleep(options.pause);
            }
        }
        System.out.println("Saved " + file);
    }
}
