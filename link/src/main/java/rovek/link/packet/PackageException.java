package rovek.link.packet;

import rovek.core.wording.Sentence;

/** A field package that cannot be used; the sentence says why and what to do. */
public final class PackageException extends Exception {

    private static final long serialVersionUID = 1L;

    private static final String DIGEST = "package.digest";

    private final String code;
    private final transient Sentence sentence;
    private final transient Sentence reason;
    private final String unknownUnit;

    private PackageException(String code, Sentence sentence) {
        this(code, sentence, sentence, "");
    }

    private PackageException(String code, Sentence sentence, Sentence reason, String unknownUnit) {
        super(sentence.toString());
        this.code = code;
        this.sentence = sentence;
        this.reason = reason;
        this.unknownUnit = unknownUnit;
    }

    public String code() {
        return code;
    }

    /** What is said, to be worded; {@link #getMessage} is for the log. */
    public Sentence sentence() {
        return sentence;
    }

    /** Where and what alone, for one reading among others that are taken. */
    public Sentence reason() {
        return reason;
    }

    /** The unit that nobody knows, as it is written; blank where something else is wrong. */
    public String unknownUnit() {
        return unknownUnit;
    }

    static PackageException unknownUnit(String where, String written) {
        PackageException plain = invalid(where, Sentence.of("unit.unknown", "symbol", written));
        return new PackageException("package.unknown-unit", plain.sentence, plain.reason, written);
    }

    static PackageException damaged(Sentence what) {
        return new PackageException("package.damaged", Sentence.of("packet.damaged", "what", what));
    }

    /** An entry is not what the package says that it is: then nothing of it can be believed. */
    static PackageException digestDiffers(String path) {
        return new PackageException(DIGEST, damaged(Sentence.of("packet.digestDiffers", "path", path)).sentence);
    }

    boolean spoilsAll() {
        return code.equals(DIGEST);
    }

    static PackageException foreign(Sentence what) {
        return new PackageException("package.foreign", Sentence.of("packet.foreign", "what", what));
    }

    static PackageException tooNew(String version) {
        return new PackageException("package.too-new", Sentence.of("packet.tooNew", "version", version));
    }

    static PackageException tooLarge(Sentence what) {
        return new PackageException("package.too-large", Sentence.of("packet.tooLarge", "what", what));
    }

    /** @param where path and line within the package */
    static PackageException invalid(String where, Sentence why) {
        return invalid(Sentence.plain(where), why);
    }

    static PackageException invalid(Sentence where, Sentence why) {
        return new PackageException(
                "package.invalid",
                Sentence.of("packet.invalid", "where", where, "why", why),
                Sentence.of("packet.reason", "where", where, "why", why),
                "");
    }
}
