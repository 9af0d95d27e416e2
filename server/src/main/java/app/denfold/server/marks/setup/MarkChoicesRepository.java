package app.denfold.server.marks.setup;

import org.springframework.data.repository.CrudRepository;

interface MarkChoicesRepository extends CrudRepository<MarkChoices, Short> {}
