package rovek.server.people.account;

/** What a person may do; each role may do all that the ones before it may. */
public enum Role {
    VIEWER,
    TECHNICIAN,
    REVIEWER,
    ADMINISTRATOR
}
