package rovek.server.people.account;

import java.util.UUID;

/** A person who may sign in. */
public record Account(UUID id, String name, String displayName, Role role, boolean active, int version) {}
