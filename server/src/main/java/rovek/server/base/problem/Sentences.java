package rovek.server.base.problem;

/** What is said of a request where there is nothing more to say, wherever it is found out. */
public final class Sentences {

    public static final String UNREADABLE = "The request could not be understood. Reload the page and try again.";
    public static final String NOTHING_HERE = "There is nothing at this address.";
    public static final String FAULT =
            "Something went wrong in Rovek. Nothing of this step was stored; try again, and report it if it happens twice.";

    private Sentences() {}
}
