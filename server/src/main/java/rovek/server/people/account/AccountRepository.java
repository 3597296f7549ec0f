package rovek.server.people.account;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.repository.Repository;

interface AccountRepository extends Repository<AccountEntity, UUID> {

    AccountEntity save(AccountEntity account);

    Optional<AccountEntity> findById(UUID id);

    Optional<AccountEntity> findByName(String name);

    List<AccountEntity> findAllByOrderByName();

    long count();
}
