package keel.app.fleet;

import java.util.Optional;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface IdentityRecords extends Repository<MachineIdentity, Long> {

    @Query("select i.serial, i.boughtOn, i.warrantyUntil, i.firmware from MachineIdentity i where i.code = ?1")
    Optional<Identities.Identity> of(String code);
}
