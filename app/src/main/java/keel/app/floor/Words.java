package keel.app.floor;

import java.util.List;
import keel.core.quick.Vocabulary;
import keel.core.quick.Vocabulary.MachineWord;
import keel.core.quick.Vocabulary.Word;
import keel.core.standing.LevelJoint;
import keel.core.standing.MachineKind;
import keel.core.standing.MachineTraits;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Collects the names that lines may use, in a fixed number of queries. */
@Component
class Words {

    private final JdbcClient jdbc;

    Words(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    @Transactional(readOnly = true)
    Vocabulary now() {
        return new Vocabulary(
                machines(),
                words("select code, name, '' from room where retired_at is null order by name"),
                words("select code, name, unit from stock_item where retired_at is null order by name"),
                words("select code, name, '' from resin where retired_at is null order by name"),
                words("select code, 'Vat ' || code, '' from component where kind = 'VAT' and ended_at is null and "
                        + "not withdrawn order by number"));
    }

    /** Machines with the exposure of their last run and what a layer takes on them. */
    private List<MachineWord> machines() {
        return jdbc.sql(
                        """
                select m.code, m.name, o.kind, o.self_levelling, m.levels_after_each_print, o.whole_area_light,
                m.levelling_school, s.vat_resin, o.level_joint,
                  (select r.layer_exposure_s from run r where r.machine_id = m.id and not r.withdrawn
                  order by r.started_at desc fetch first row only),
                  t.hours * 3600 / nullif(t.layers, 0)
                from machine m join machine_model o on o.id = m.model_id left join machine_standing s
                on s.machine_id = m.id
                left join meter t on t.scope = 'MACHINE' and t.owner_id = m.id
                where m.retired_at is null order by m.name""")
                .query((row, i) -> new MachineWord(
                        row.getString(1),
                        row.getString(2),
                        new MachineTraits(
                                MachineKind.valueOf(row.getString(3)),
                                row.getBoolean(4),
                                row.getBoolean(5),
                                row.getBoolean(6),
                                LevelJoint.valueOf(row.getString(9))),
                        row.getString(7),
                        row.getString(8),
                        row.getObject(10, Double.class),
                        row.getObject(11, Double.class)))
                .list();
    }

    private List<Word> words(String sql) {
        return jdbc.sql(sql)
                .query((row, i) -> new Word(row.getString(1), row.getString(2), row.getString(3)))
                .list();
    }
}
