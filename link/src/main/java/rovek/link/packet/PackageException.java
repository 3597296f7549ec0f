package rovek.link.packet;

/** A field package that cannot be used; the sentence says why and what to do. */
public final class PackageException extends Exception {

    private static final long serialVersionUID = 1L;

    private final String code;

    private PackageException(String code, String sentence) {
        super(sentence);
        this.code = code;
    }

    public String code() {
        return code;
    }

    static PackageException damaged(String what) {
        return new PackageException("package.damaged", "The field package is damaged: %s. Nothing was taken from it; read it back again.".formatted(what));
    }

    static PackageException foreign(String what) {
        return new PackageException("package.foreign", "This is no field package: %s.".formatted(what));
    }

    static PackageException tooNew(String version) {
        return new PackageException(
                "package.too-new",
                "The field package has format version %s, newer than this Rovek knows. Update Rovek, then read it back again; nothing was taken from it.".formatted(version));
    }

    static PackageException tooLarge(String what) {
        return new PackageException("package.too-large", "The field package was refused for safety: %s.".formatted(what));
    }

    static PackageException invalid(String where, String faults) {
        return new PackageException("package.invalid", "The field package breaks its own rules in %s: %s. Nothing was taken from it.".formatted(where, faults));
    }
}
