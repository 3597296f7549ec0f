package rovek.server.people.unit;

import java.util.List;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface OwnUnitRepository extends Repository<OwnUnitEntity, String> {

    @Query("SELECT u.symbol, u.name, u.base, u.factor, u.offset FROM OwnUnitEntity u ORDER BY u.symbol")
    List<OwnUnits.OwnUnitLine> all();

    @Modifying
    @Query("""
            INSERT INTO OwnUnitEntity (symbol, name, base, factor, offset)
            VALUES (:symbol, :name, :base, :factor, :offset)
            ON CONFLICT (symbol) DO NOTHING""")
    int add(String symbol, String name, String base, String factor, String offset);

    @Modifying
    @Query("DELETE FROM OwnUnitEntity u WHERE u.symbol = :symbol")
    int remove(String symbol);
}
