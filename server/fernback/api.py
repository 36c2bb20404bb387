"""The API: its routes, its errors, its schema."""

from ninja import NinjaAPI
from ninja.security import django_auth

from accounts.api import router as session_router
from accounts.invitations_api import router as invitations_router
from accounts.people_api import router as shops_router
from accounts.second_factor_api import router as second_router
from build.api import router as build_router
from fernback.errors import add_error_handlers
from jobs.api import router as jobs_router
from jobs.drawings_api import router as drawings_router
from jobs.keeping_api import router as keeping_router
from jobs.measure_api import router as measure_router
from jobs.together_api import router as together_router
from library.api import router as library_router
from scans.api import router as scans_router

api = NinjaAPI(title="Fernback", version="1", auth=django_auth, docs_url=None)
add_error_handlers(api)
api.add_router("/session", session_router)
api.add_router("/session/second", second_router)
api.add_router("/shops", shops_router)
api.add_router("/invitations", invitations_router)
api.add_router("/jobs", jobs_router)
api.add_router("/jobs", keeping_router)
api.add_router("/jobs", together_router)
api.add_router("/jobs", drawings_router)
api.add_router("/jobs", build_router)
api.add_router("/measure", measure_router)
api.add_router("/library", library_router)
api.add_router("/scans", scans_router)
