package keel.app.standing;

import keel.core.resin.VatContent;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What is in a vat, wherever it is, from the facts. */
@Service
@Transactional(readOnly = true)
public class VatContents {

    private final Facts facts;

    VatContents(Facts facts) {
        this.facts = facts;
    }

    public VatContent of(long vatId) {
        return facts.content(vatId);
    }
}
