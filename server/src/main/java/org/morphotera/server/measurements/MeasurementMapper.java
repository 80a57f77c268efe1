package org.morphotera.server.measurements;

import org.apache.ibatis.annotations.Mapper;

/** Reads rows of measurements; {@link MeasurementWriter} writes them. */
@Mapper
public interface MeasurementMapper extends MeasurementReader {}
