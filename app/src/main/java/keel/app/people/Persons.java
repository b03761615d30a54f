package keel.app.people;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface Persons extends JpaRepository<Person, Long> {

    @Query("select p from Person p where p.signIn = lower(?1) and p.active")
    Optional<Person> active(String signIn);

    @Query("select count(p) > 0 from Person p where p.signIn = lower(?1)")
    boolean taken(String signIn);

    List<Person> findAllByOrderByActiveDescNameAsc();

    List<Person> findByActiveTrueAndPinHashNotNullOrderByName();

    long countByRoleAndActiveTrue(Role role);

    Optional<Person> findFirstByRoleAndActiveTrueOrderById(Role role);
}
