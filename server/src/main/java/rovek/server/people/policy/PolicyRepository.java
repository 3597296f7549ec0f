package rovek.server.people.policy;

import java.util.Optional;
import java.util.Set;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface PolicyRepository extends Repository<PolicyEntity, String> {

    @Query("SELECT r.name FROM PolicyEntity r WHERE r.text = :text")
    Set<String> named(String text);

    @Query("SELECT r.text FROM PolicyEntity r WHERE r.name = :name")
    Optional<String> text(String name);

    /** Two who decide on the same for the first time do not disturb each other. */
    @Modifying
    @Query("""
            INSERT INTO PolicyEntity (name, text) VALUES (:name, :text)
            ON CONFLICT (name) DO UPDATE SET text = excluded.text""")
    void put(String name, String text);
}
