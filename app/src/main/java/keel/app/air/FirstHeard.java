package keel.app.air;

import java.time.Clock;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.TransactionDefinition;
import org.springframework.transaction.support.TransactionTemplate;

/** Takes in a sensor that was not heard before, in a transaction of its own: another may hear it at the same time. */
@Component
class FirstHeard {

    private final SensorRecords records;
    private final TransactionTemplate alone;
    private final Clock clock;

    FirstHeard(SensorRecords records, PlatformTransactionManager transactions, Clock clock) {
        this.records = records;
        this.alone = new TransactionTemplate(transactions);
        this.alone.setPropagationBehavior(TransactionDefinition.PROPAGATION_REQUIRES_NEW);
        this.clock = clock;
    }

    SensorRecord of(String code) {
        try {
            return alone.execute(t -> {
                SensorRecord sensor = new SensorRecord();
                sensor.code = code;
                sensor.firstAt = clock.instant();
                return records.save(sensor);
            });
        } catch (DataIntegrityViolationException e) {
            return records.findByCode(code).orElseThrow();
        }
    }
}
