package app.denfold.paper;

import java.io.EOFException;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.channels.SeekableByteChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;

/**
 * Tells whether a file that somebody may still be writing has the end that its format asks for. Only its first and last
 * bytes are looked at.
 */
public final class FileEnd {

    private static final int HEAD = 16;
    private static final int TAIL = 64 * 1024;
    private static final int MOST_DIRECTORIES = 5_000;
    private static final int TIFF_ENTRY = 12;
    private static final int STRIP_OFFSETS = 273;
    private static final int STRIP_COUNTS = 279;
    private static final int TILE_OFFSETS = 324;
    private static final int TILE_COUNTS = 325;
    private static final int MOST_STRIPS = 20_000;

    private FileEnd() {}

    /** What can be said of a file's end. */
    public enum Found {
        THERE,
        /** The format has one, and it is not there yet. */
        MISSING,
        /** The format has none, or is not known. */
        UNKNOWN
    }

    public static Found of(Path file) throws IOException {
        try (SeekableByteChannel in = Files.newByteChannel(file)) {
            long length = in.size();
            byte[] head = read(in, 0, (int) Math.min(HEAD, length));
            byte[] tail = read(in, Math.max(0, length - TAIL), (int) Math.min(TAIL, length));
            if (begins(head, "%PDF-")) {
                return found(contains(tail, ascii("%%EOF")));
            }
            if (begins(head, new byte[] {(byte) 0xFF, (byte) 0xD8, (byte) 0xFF})) {
                return found(contains(tail, new byte[] {(byte) 0xFF, (byte) 0xD9}));
            }
            if (begins(head, new byte[] {(byte) 0x89, 'P', 'N', 'G'})) {
                return found(contains(tail, ascii("IEND")));
            }
            if (begins(head, "GIF8")) {
                return found(tail[tail.length - 1] == 0x3B);
            }
            if (begins(head, "PK\003\004")) {
                return found(contains(tail, ascii("PK\005\006")));
            }
            if (begins(head, "II*\000") || begins(head, "MM\000*")) {
                return found(isWholeTiff(in, head[0] == 'I', length));
            }
            return Found.UNKNOWN;
        } catch (EOFException shrank) {
            return Found.MISSING;
        }
    }

    private static Found found(boolean there) {
        return there ? Found.THERE : Found.MISSING;
    }

    private static byte[] read(SeekableByteChannel in, long at, int count) throws IOException {
        ByteBuffer bytes = ByteBuffer.allocate(count);
        in.position(at);
        while (bytes.hasRemaining()) {
            if (in.read(bytes) < 0) {
                throw new EOFException();
            }
        }
        return bytes.array();
    }

    private static byte[] ascii(String text) {
        return text.getBytes(StandardCharsets.US_ASCII);
    }

    private static boolean begins(byte[] bytes, String with) {
        return begins(bytes, with.getBytes(StandardCharsets.ISO_8859_1));
    }

    private static boolean begins(byte[] bytes, byte[] with) {
        return bytes.length >= with.length && Arrays.equals(bytes, 0, with.length, with, 0, with.length);
    }

    private static boolean contains(byte[] bytes, byte[] wanted) {
        for (int at = bytes.length - wanted.length; at >= 0; at--) {
            if (Arrays.equals(bytes, at, at + wanted.length, wanted, 0, wanted.length)) {
                return true;
            }
        }
        return false;
    }

    /** Every directory, and every strip or tile it tells of, lies within the file (TIFF 6.0, section 2). */
    private static boolean isWholeTiff(SeekableByteChannel in, boolean little, long length) throws IOException {
        Numbers numbers = new Numbers(in, little ? ByteOrder.LITTLE_ENDIAN : ByteOrder.BIG_ENDIAN);
        long directory = numbers.four(4);
        for (int i = 0; i < MOST_DIRECTORIES && directory != 0; i++) {
            if (directory + 2 > length) {
                return false;
            }
            int entries = numbers.two(directory);
            long after = directory + 2 + (long) entries * TIFF_ENTRY;
            if (after + 4 > length || !stripsAreThere(numbers, directory, entries, length)) {
                return false;
            }
            directory = numbers.four(after);
        }
        return true;
    }

    private static boolean stripsAreThere(Numbers numbers, long directory, int entries, long length)
            throws IOException {
        long[] offsets = {};
        long[] counts = {};
        for (int i = 0; i < entries; i++) {
            long entry = directory + 2 + (long) i * TIFF_ENTRY;
            int tag = numbers.two(entry);
            if (tag == STRIP_OFFSETS || tag == TILE_OFFSETS) {
                offsets = numbers.values(entry, length);
            } else if (tag == STRIP_COUNTS || tag == TILE_COUNTS) {
                counts = numbers.values(entry, length);
            }
        }
        for (int i = 0; i < Math.min(offsets.length, counts.length); i++) {
            if (offsets[i] + counts[i] > length) {
                return false;
            }
        }
        return true;
    }

    private record Numbers(SeekableByteChannel in, ByteOrder order) {
        int two(long at) throws IOException {
            byte[] both = read(in, at, 2);
            int first = both[0] & 0xFF;
            int second = both[1] & 0xFF;
            return order == ByteOrder.LITTLE_ENDIAN ? first | second << 8 : first << 8 | second;
        }

        long four(long at) throws IOException {
            long first = two(at);
            long second = two(at + 2);
            return order == ByteOrder.LITTLE_ENDIAN ? first | second << 16 : first << 16 | second;
        }

        /** The values of a field, which stand in it or where it says. @throws EOFException when they are not there yet */
        long[] values(long entry, long length) throws IOException {
            boolean isShort = two(entry + 2) == 3;
            int size = isShort ? 2 : 4;
            long count = four(entry + 4);
            if (count > length) {
                throw new EOFException();
            }
            long at = count * size <= 4 ? entry + 8 : four(entry + 8);
            long[] values = new long[(int) Math.min(count, MOST_STRIPS)];
            for (int i = 0; i < values.length; i++) {
                values[i] = isShort ? two(at + 2L * i) : four(at + 4L * i);
            }
            return values;
        }
    }
}
