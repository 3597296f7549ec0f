package rovek.server.people.policy;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface HouseRuleRepository extends Repository<HouseRuleEntity, String> {

    List<HouseRuleEntity> findAll();

    Optional<HouseRuleEntity> findById(String name);

    /** Two who decide on the same for the first time do not disturb each other. */
    @Modifying(clearAutomatically = true)
    @Query("""
            INSERT INTO HouseRuleEntity (name, text) VALUES (:name, :text)
            ON CONFLICT (name) DO UPDATE SET text = excluded.text""")
    void put(String name, String text);
}
