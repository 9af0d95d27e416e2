package app.denfold.paper.reading;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javax.imageio.ImageIO;

/** Recognises text in pictures with tesseract, one thread for each page. */
public final class Recognise {

    private static final Pattern ROTATE = Pattern.compile("Rotate: (\\d+)");
    private static final Pattern SURE = Pattern.compile("Orientation confidence: ([0-9.]+)");
    private static final double SURE_ENOUGH = 1.5;
    private static final int MOST_SECONDS = 90;

    private Recognise() {}

    /** Whether tesseract is there; asked once. */
    static boolean isThere() {
        return Holder.THERE;
    }

    private static final class Holder {
        static final boolean THERE = asked();

        private static boolean asked() {
            try {
                Process process = new ProcessBuilder("tesseract", "--version")
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
    }

    /** By how many degrees clockwise the page must be turned to stand upright; 0 when that cannot be told. */
    static int turn(BufferedImage page) throws IOException {
        String said = run(page, List.of("--psm", "0"));
        Matcher rotate = ROTATE.matcher(said);
        Matcher sure = SURE.matcher(said);
        return rotate.find() && sure.find() && Double.parseDouble(sure.group(1)) >= SURE_ENOUGH
                ? Integer.parseInt(rotate.group(1)) % 360
                : 0;
    }

    /**
     * @param languages as tesseract names them, joined by {@code +}
     * @return the words with their places; none when nothing readable is there
     */
    static PlacedText text(BufferedImage page, String languages) throws IOException {
        return words(
                run(page, List.of("-l", languages, "--psm", "3", "tsv")).lines().toList(),
                page.getWidth(),
                page.getHeight());
    }

    /**
     * Reads tesseract's table: a line for each word with level, page, block, paragraph, line and word, then left, top,
     * width and height in pixels, how sure it is, and the word; lines of a higher level hold no word.
     */
    public static PlacedText words(List<String> table, int width, int height) {
        StringBuilder text = new StringBuilder();
        List<WordBox> boxes = new ArrayList<>();
        double confidence = 0;
        String paragraph = "";
        String line = "";
        for (String row : table) {
            String[] cells = row.split("\t", -1);
            if (cells.length < 12 || !cells[0].equals("5") || cells[11].isBlank()) {
                continue;
            }
            String inParagraph = cells[2] + "." + cells[3];
            String inLine = inParagraph + "." + cells[4];
            if (!boxes.isEmpty()) {
                text.append(!inParagraph.equals(paragraph) ? "\n\n" : !inLine.equals(line) ? "\n" : " ");
            }
            paragraph = inParagraph;
            line = inLine;
            text.append(cells[11].strip().replaceAll("\\s+", "_"));
            confidence += Math.max(0, Double.parseDouble(cells[10]));
            double left = Double.parseDouble(cells[6]);
            double top = Double.parseDouble(cells[7]);
            boxes.add(WordBox.of(
                    left, top, left + Double.parseDouble(cells[8]), top + Double.parseDouble(cells[9]), width, height));
        }
        return new PlacedText(
                text.toString(), boxes, boxes.isEmpty() ? null : (int) Math.round(confidence / boxes.size()));
    }

    private static String run(BufferedImage page, List<String> options) throws IOException {
        Path picture = Files.createTempFile("page", ".pgm");
        try {
            writePlain(page, picture);
            List<String> command = new ArrayList<>(List.of("tesseract", picture.toString(), "stdout"));
            command.addAll(options);
            ProcessBuilder builder = new ProcessBuilder(command).redirectError(ProcessBuilder.Redirect.DISCARD);
            builder.environment().put("OMP_THREAD_LIMIT", "1");
            Process process = builder.start();
            process.getOutputStream().close();
            Thread guard = new Thread(() -> endAfter(process));
            guard.setDaemon(true);
            guard.start();
            try (InputStream said = process.getInputStream()) {
                String text = new String(said.readAllBytes(), StandardCharsets.UTF_8);
                process.waitFor();
                return text.replace("\f", "");
            } catch (InterruptedException stopped) {
                Thread.currentThread().interrupt();
                throw new IOException("Recognition was stopped", stopped);
            } finally {
                guard.interrupt();
                process.destroyForcibly();
            }
        } finally {
            Files.deleteIfExists(picture);
        }
    }

    private static void endAfter(Process process) {
        try {
            if (!process.waitFor(MOST_SECONDS, TimeUnit.SECONDS)) {
                process.destroyForcibly();
            }
        } catch (InterruptedException ended) {
            // the page was read in time
        }
    }

    /** A portable graymap: written quickly and read by tesseract without another library. */
    private static void writePlain(BufferedImage page, Path to) throws IOException {
        if (page.getType() != BufferedImage.TYPE_BYTE_GRAY) {
            ImageIO.write(page, "png", to.toFile());
            return;
        }
        byte[] pixels = ((java.awt.image.DataBufferByte) page.getRaster().getDataBuffer()).getData();
        try (OutputStream out = Files.newOutputStream(to)) {
            out.write(("P5\n" + page.getWidth() + " " + page.getHeight() + "\n255\n")
                    .getBytes(StandardCharsets.US_ASCII));
            out.write(pixels);
        }
    }
}
