package rovek.server.base.records;

/**
 * What a repository of records that are only ever added extends besides Spring Data's: a record whose id the program
 * gives is inserted at once, without asking first whether it is there.
 */
public interface Adding<T> {

    /** Adds a record that is not there yet, by the end of the caller's transaction. */
    void add(T row);
}
