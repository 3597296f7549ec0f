package rovek.link.packet;

/** A field package that cannot be used; the sentence says why and what to do. */
public final class PackageException extends Exception {

    private static final long serialVersionUID = 1L;

    private static final String DIGEST = "package.digest";

    private final String code;
    private final String reason;
    private final String unknownUnit;

    private PackageException(String code, String sentence) {
        this(code, sentence, sentence, "");
    }

    private PackageException(String code, String sentence, String reason, String unknownUnit) {
        super(sentence);
        this.code = code;
        this.reason = reason;
        this.unknownUnit = unknownUnit;
    }

    public String code() {
        return code;
    }

    /** Where and what alone, for one reading among others that are taken. */
    public String reason() {
        return reason;
    }

    /** The unit that nobody knows, as it is written; blank where something else is wrong. */
    public String unknownUnit() {
        return unknownUnit;
    }

    static PackageException unknownUnit(String where, String written) {
        PackageException plain = invalid(where, "no unit is written \"" + written + "\"");
        return new PackageException("package.unknown-unit", String.valueOf(plain.getMessage()), plain.reason, written);
    }

    static PackageException damaged(String what) {
        return new PackageException(
                "package.damaged",
                "The field package is damaged: %s. Nothing was taken from it; read it back again.".formatted(what));
    }

    /** An entry is not what the package says that it is: then nothing of it can be believed. */
    static PackageException digestDiffers(String path) {
        PackageException plain = damaged("the digest of " + path + " does not agree");
        return new PackageException(DIGEST, String.valueOf(plain.getMessage()));
    }

    boolean spoilsAll() {
        return code.equals(DIGEST);
    }

    static PackageException foreign(String what) {
        return new PackageException("package.foreign", "This is no field package: %s.".formatted(what));
    }

    static PackageException tooNew(String version) {
        return new PackageException(
                "package.too-new",
                ("The field package has format version %s, newer than this Rovek knows. Update Rovek, then read "
                                + "it back again; nothing was taken from it.")
                        .formatted(version));
    }

    static PackageException tooLarge(String what) {
        return new PackageException(
                "package.too-large", "The field package was refused for safety: %s.".formatted(what));
    }

    static PackageException invalid(String where, String faults) {
        return new PackageException(
                "package.invalid",
                "The field package breaks its own rules in %s: %s. Nothing was taken from it.".formatted(where, faults),
                "%s: %s".formatted(where, faults),
                "");
    }
}
