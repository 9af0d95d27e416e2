package app.denfold.server.practice;

import org.springframework.data.repository.CrudRepository;

interface PracticeRepository extends CrudRepository<Practice, Short> {}
