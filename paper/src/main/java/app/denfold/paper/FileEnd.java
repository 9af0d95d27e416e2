package app.denfold.paper;

import java.io.EOFException;
import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
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
        try (RandomAccessFile in = new RandomAccessFile(file.toFile(), "r")) {
            long length = in.length();
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

    private static byte[] read(RandomAccessFile in, long at, int count) throws IOException {
        byte[] bytes = new byte[count];
        in.seek(at);
        in.readFully(bytes);
        return bytes;
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

    /** Every directory and every single strip it tells of lies within the file (TIFF 6.0, section 2). */
    private static boolean isWholeTiff(RandomAccessFile in, boolean little, long length) throws IOException {
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
        long offset = 0;
        long count = 0;
        for (int i = 0; i < entries; i++) {
            long entry = directory + 2 + (long) i * TIFF_ENTRY;
            int tag = numbers.two(entry);
            boolean single = numbers.four(entry + 4) == 1;
            if (single && (tag == STRIP_OFFSETS || tag == STRIP_COUNTS)) {
                long value = numbers.two(entry + 2) == 3 ? numbers.two(entry + 8) : numbers.four(entry + 8);
                offset = tag == STRIP_OFFSETS ? value : offset;
                count = tag == STRIP_COUNTS ? value : count;
            }
        }
        return offset + count <= length;
    }

    private record Numbers(RandomAccessFile in, ByteOrder order) {
        int two(long at) throws IOException {
            in.seek(at);
            int first = in.readUnsignedByte();
            int second = in.readUnsignedByte();
            return order == ByteOrder.LITTLE_ENDIAN ? first | second << 8 : first << 8 | second;
        }

        long four(long at) throws IOException {
            long first = two(at);
            long second = two(at + 2);
            return order == ByteOrder.LITTLE_ENDIAN ? first | second << 16 : first << 16 | second;
        }
    }
}
