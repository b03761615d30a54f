package keel.app.fleet;

/** Parts that wear, with the letter of their codes. A film is carried by a vat, the others by a machine. */
public enum ComponentKind {
    VAT("Vat", 'V'),
    FILM("Film", 'F'),
    SCREEN("Screen", 'S'),
    PLATE("Plate", 'P'),
    LIGHT("Light engine", 'L');

    private final String words;
    private final char letter;

    ComponentKind(String words, char letter) {
        this.words = words;
        this.letter = letter;
    }

    public String words() {
        return words;
    }

    String code(int number) {
        return letter + Integer.toString(number);
    }
}
