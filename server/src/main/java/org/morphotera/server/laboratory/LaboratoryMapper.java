package org.morphotera.server.laboratory;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** Rows of laboratories, bags and what was sent. Every query names the practice. */
@Mapper
interface LaboratoryMapper {

    /** Prices and form as JSON text. */
    record LaboratoryRow(
            UUID id, String name, String contact, boolean simulated, String prices, String reading, int version) {}

    String LABORATORY = "select id, name, contact, simulated, prices, reading, version from laboratory ";

    @Select(LABORATORY + "where practice_id = #{practice} order by name, id")
    List<LaboratoryRow> laboratories(UUID practice);

    @Select(LABORATORY + "where practice_id = #{practice} and id = #{id}")
    LaboratoryRow laboratory(@Param("practice") UUID practice, @Param("id") UUID id);

    @Insert(
            "insert into laboratory (id, practice_id, name, contact, simulated, prices, reading, version) values "
                    + "(#{l.id}, #{practice}, #{l.name}, #{l.contact}, #{l.simulated}, #{l.prices}, #{l.reading}, #{l.version})")
    void insertLaboratory(@Param("practice") UUID practice, @Param("l") LaboratoryRow row);

    @Update("update laboratory set name = #{l.name}, contact = #{l.contact}, simulated = #{l.simulated}, "
            + "prices = #{l.prices}, version = #{l.version} "
            + "where practice_id = #{practice} and id = #{l.id} and version = #{l.version} - 1")
    int updateLaboratory(@Param("practice") UUID practice, @Param("l") LaboratoryRow row);

    @Update("update laboratory set reading = #{reading} where practice_id = #{practice} and id = #{id}")
    void remember(@Param("practice") UUID practice, @Param("id") UUID id, @Param("reading") String reading);

    record BagRow(
            UUID id,
            String code,
            UUID fieldId,
            String field,
            UUID visitId,
            UUID stopId,
            String stopIds,
            double depthTopMm,
            double depthBottomMm,
            Instant takenAt,
            String sampler,
            String tests,
            Integer cores,
            String note,
            UUID dispatchId,
            UUID measurementId,
            int version) {}

    String BAG = "select b.id, b.code, b.field_id, f.name as field, b.visit_id, b.stop_id, b.stop_ids, b.depth_top_mm, "
            + "b.depth_bottom_mm, b.taken_at, b.sampler, b.tests, b.cores, b.note, b.dispatch_id, b.measurement_id, "
            + "b.version from bag b join field f on f.id = b.field_id ";

    /** Those that wait for something first, then the newest of the others. */
    @Select(BAG + "where b.practice_id = #{practice} order by case when b.measurement_id is null then 0 else 1 end, "
            + "b.taken_at desc, b.id fetch first 400 rows only")
    List<BagRow> bags(UUID practice);

    @Select(BAG + "where b.practice_id = #{practice} and b.id = #{id}")
    BagRow bag(@Param("practice") UUID practice, @Param("id") UUID id);

    @Select(BAG + "where b.practice_id = #{practice} and b.code = #{code}")
    BagRow byCode(@Param("practice") UUID practice, @Param("code") String code);

    @Select(BAG + "where b.practice_id = #{practice} and b.dispatch_id = #{dispatch} order by b.taken_at, b.id")
    List<BagRow> ofDispatch(@Param("practice") UUID practice, @Param("dispatch") UUID dispatch);

    @Insert(
            "insert into bag (id, practice_id, field_id, visit_id, stop_id, code, stop_ids, depth_top_mm, depth_bottom_mm, "
                    + "taken_at, sampler, tests, cores, note, version) values (#{b.id}, #{practice}, #{b.fieldId}, #{b.visitId}, "
                    + "#{b.stopId}, #{b.code}, #{b.stopIds}, #{b.depthTopMm}, #{b.depthBottomMm}, #{b.takenAt}, #{b.sampler}, "
                    + "#{b.tests}, #{b.cores}, #{b.note}, #{b.version})")
    void insertBag(@Param("practice") UUID practice, @Param("b") BagRow bag);

    @Update("update bag set visit_id = #{b.visitId}, stop_id = #{b.stopId}, field_id = #{b.fieldId}, "
            + "stop_ids = #{b.stopIds}, depth_top_mm = #{b.depthTopMm}, depth_bottom_mm = #{b.depthBottomMm}, "
            + "taken_at = #{b.takenAt}, sampler = #{b.sampler}, tests = #{b.tests}, cores = #{b.cores}, note = #{b.note}, "
            + "version = #{b.version} where practice_id = #{practice} and id = #{b.id} and version = #{b.version} - 1")
    int updateBag(@Param("practice") UUID practice, @Param("b") BagRow bag);

    @Delete("delete from bag where practice_id = #{practice} and id = #{id} and dispatch_id is null")
    int deleteBag(@Param("practice") UUID practice, @Param("id") UUID id);

    @Update("update bag set measurement_id = #{measurement} where practice_id = #{practice} and id = #{id}")
    void answered(@Param("practice") UUID practice, @Param("id") UUID id, @Param("measurement") UUID measurement);

    @Update("update bag set dispatch_id = null where practice_id = #{practice} and dispatch_id = #{dispatch}")
    void unsend(@Param("practice") UUID practice, @Param("dispatch") UUID dispatch);

    @Update("update bag set dispatch_id = #{dispatch} where practice_id = #{practice} and id = #{id}")
    void send(@Param("practice") UUID practice, @Param("id") UUID id, @Param("dispatch") UUID dispatch);

    record DispatchRow(UUID id, UUID laboratoryId, Instant sentAt, String note, int version) {}

    String DISPATCH = "select id, laboratory_id, sent_at, note, version from dispatch ";

    @Select(DISPATCH + "where practice_id = #{practice} order by sent_at desc, id fetch first 60 rows only")
    List<DispatchRow> dispatches(UUID practice);

    @Select(DISPATCH + "where practice_id = #{practice} and id = #{id}")
    DispatchRow dispatch(@Param("practice") UUID practice, @Param("id") UUID id);

    @Insert("insert into dispatch (id, practice_id, laboratory_id, sent_at, note, version) "
            + "values (#{d.id}, #{practice}, #{d.laboratoryId}, #{d.sentAt}, #{d.note}, #{d.version})")
    void insertDispatch(@Param("practice") UUID practice, @Param("d") DispatchRow row);

    @Update("update dispatch set laboratory_id = #{d.laboratoryId}, sent_at = #{d.sentAt}, note = #{d.note}, "
            + "version = #{d.version} where practice_id = #{practice} and id = #{d.id} and version = #{d.version} - 1")
    int updateDispatch(@Param("practice") UUID practice, @Param("d") DispatchRow row);

    @Delete("delete from dispatch where practice_id = #{practice} and id = #{id}")
    int deleteDispatch(@Param("practice") UUID practice, @Param("id") UUID id);
}
