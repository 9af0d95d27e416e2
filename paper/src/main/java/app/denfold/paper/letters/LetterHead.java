package app.denfold.paper.letters;

/**
 * How the paper of a practice looks.
 *
 * @param address below the name, lines parted by line breaks; may be empty
 * @param colour of the line beneath, as {@code #rrggbb}
 * @param mark a picture in PNG; empty when there is none
 */
public record LetterHead(String name, String address, String colour, byte[] mark) {

    /** @throws IllegalArgumentException when the colour is none */
    public LetterHead {
        if (!colour.matches("#[0-9a-fA-F]{6}")) {
            throw new IllegalArgumentException("Not a colour: " + colour);
        }
    }
}
