package rovek.server.plant.template;

import org.springframework.data.repository.Repository;
import rovek.server.base.records.Adding;

interface TemplateRevisionRepository
        extends Repository<TemplateRevisionEntity, TemplateRevisionEntity.Key>, Adding<TemplateRevisionEntity> {}
