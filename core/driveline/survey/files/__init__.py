"""Readings and outlines that come in as files: CSV tables, DXF drawings. Nothing here changes a survey."""

from driveline.survey.files.dxf import read_survey_dxf
from driveline.survey.files.found import SurveyFile
from driveline.survey.files.table import read_survey_csv

__all__ = ["SurveyFile", "read_survey_csv", "read_survey_dxf"]
