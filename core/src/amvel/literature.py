"""The works that numbers come from, each once.

All were written down from memory and reviewed once: authors, years, titles and places are to be checked against the works
themselves, as the rule-book page says of every line.
"""

from amvel.sources import Kind, Source


def _work(kind: Kind, authors: str, year: int, title: str, where: str = "") -> Source:
    return Source(kind, authors, year, title, where, from_memory=True)


DRILLIS_CONTINI = _work(
    Kind.PUBLICATION,
    "Drillis & Contini",
    1966,
    "Body segment parameters",
    "New York University, technical report 1166.03",
)
DE_LEVA = _work(
    Kind.PUBLICATION,
    "de Leva",
    1996,
    "Adjustments to Zatsiorsky-Seluyanov's segment inertia parameters",
    "J Biomech 29",
)
JENSEN = _work(
    Kind.PUBLICATION,
    "Jensen",
    1986,
    "Body segment mass, radius and radius of gyration proportions of children",
    "J Biomech 19",
)
AAOS = _work(
    Kind.PUBLICATION,
    "American Academy of Orthopaedic Surgeons",
    1965,
    "Joint motion: method of measuring and recording",
)
NORKIN_WHITE = _work(Kind.PUBLICATION, "Norkin & White", 2016, "Measurement of joint motion: a guide to goniometry")
FREY_LAW = _work(
    Kind.PUBLICATION,
    "Frey Law & Avin",
    2010,
    "Endurance time is joint-specific: a modelling and meta-analysis investigation",
    "Ergonomics 53",
)
ROHMERT = _work(
    Kind.PUBLICATION,
    "Rohmert",
    1960,
    "Ermittlung von Erholungspausen für statische Arbeit des Menschen",
    "Int Z angew Physiol 18",
)
MCGILL = _work(Kind.PUBLICATION, "McGill", 2002, "Low back disorders: evidence-based prevention and rehabilitation")
WILKE = _work(
    Kind.PUBLICATION,
    "Wilke et al.",
    1999,
    "New in vivo measurements of pressures in the intervertebral disc in daily life",
    "Spine 24",
)
WALKING_FRICTION = _work(Kind.GUIDELINE, "ANSI/ASSE", 2006, "A1264.2: provision of slip resistance on walking/working surfaces")
FISHMAN = _work(
    Kind.PUBLICATION,
    "Fishman, Groessl & Sherman",
    2014,
    "Serial case reporting yoga for idiopathic and degenerative scoliosis",
    "Glob Adv Health Med 3",
)
GRINDEM = _work(
    Kind.PUBLICATION,
    "Grindem et al.",
    2016,
    "Simple decision rules can reduce reinjury risk after anterior cruciate ligament reconstruction",
    "Br J Sports Med 50",
)
WHO_ACTIVITY = _work(Kind.GUIDELINE, "WHO", 2020, "Guidelines on physical activity and sedentary behaviour")
STEADI = _work(Kind.GUIDELINE, "CDC STEADI", 2017, "Stopping elderly accidents, deaths and injuries: functional assessments")
ACOG_804 = _work(
    Kind.GUIDELINE,
    "ACOG",
    2020,
    "Committee opinion 804: physical activity and exercise during pregnancy and the postpartum period",
    "Obstet Gynecol 135",
)
MOTTOLA = _work(
    Kind.GUIDELINE,
    "Mottola et al.",
    2018,
    "2019 Canadian guideline for physical activity throughout pregnancy",
    "Br J Sports Med 52",
)
PALISANO = _work(
    Kind.PUBLICATION,
    "Palisano et al.",
    1997,
    "Development and reliability of a system to classify gross motor function in children with cerebral palsy",
    "Dev Med Child Neurol 39",
)
BULL = _work(
    Kind.GUIDELINE,
    "AAP, Bull et al.",
    2022,
    "Health supervision for children and adolescents with Down syndrome",
    "Pediatrics 149",
)
MALFAIT = _work(
    Kind.PUBLICATION,
    "Malfait et al.",
    2017,
    "The 2017 international classification of the Ehlers–Danlos syndromes",
    "Am J Med Genet C 175",
)
STRONG_STEADY_STRAIGHT = _work(
    Kind.GUIDELINE,
    "Brooke-Wavell et al.",
    2022,
    "Strong, steady and straight: UK consensus statement on physical activity and exercise for osteoporosis",
    "Br J Sports Med 56",
)
TOO_FIT_TO_FRACTURE = _work(
    Kind.GUIDELINE,
    "Giangregorio et al.",
    2014,
    "Too fit to fracture: exercise recommendations for individuals with osteoporosis or osteoporotic vertebral fracture",
    "Osteoporos Int 25",
)
SINAKI_MIKKELSEN = _work(
    Kind.PUBLICATION,
    "Sinaki & Mikkelsen",
    1984,
    "Postmenopausal spinal osteoporosis: flexion versus extension exercises",
    "Arch Phys Med Rehabil 65",
)
KALB = _work(
    Kind.GUIDELINE,
    "Kalb et al.",
    2020,
    "Exercise and lifestyle physical activity recommendations for people with multiple sclerosis throughout the disease course",
    "Mult Scler 26",
)
MOUNTJOY = _work(
    Kind.GUIDELINE,
    "Mountjoy et al.",
    2018,
    "IOC consensus statement on relative energy deficiency in sport: 2018 update",
    "Br J Sports Med 52",
)
OSBORNE = _work(
    Kind.GUIDELINE,
    "APTA, Osborne et al.",
    2022,
    "Physical therapist management of Parkinson disease: a clinical practice guideline",
    "Phys Ther 102",
)
MENS = _work(
    Kind.PUBLICATION,
    "Mens et al.",
    2001,
    "Reliability and validity of the active straight leg raise test in posterior pelvic pain since pregnancy",
    "Spine 26",
)
SOSORT = _work(
    Kind.GUIDELINE,
    "SOSORT, Negrini et al.",
    2018,
    "2016 SOSORT guidelines: orthopaedic and rehabilitation treatment of idiopathic scoliosis during growth",
    "Scoliosis Spinal Disord 13",
)
BUNNELL = _work(Kind.PUBLICATION, "Bunnell", 1984, "An objective criterion for scoliosis screening", "J Bone Joint Surg Am 66")
LONSTEIN_CARLSON = _work(
    Kind.PUBLICATION,
    "Lonstein & Carlson",
    1984,
    "The prediction of curve progression in untreated idiopathic scoliosis during growth",
    "J Bone Joint Surg Am 66",
)
BILLINGER = _work(
    Kind.GUIDELINE,
    "Billinger et al.",
    2014,
    "Physical activity and exercise recommendations for stroke survivors",
    "Stroke 45",
)
RED_FLAGS = _work(
    Kind.GUIDELINE,
    "Finucane et al.",
    2020,
    "International framework for red flags for potential serious spinal pathologies",
    "J Orthop Sports Phys Ther 50",
)
WHO_DENSITY = _work(
    Kind.GUIDELINE,
    "WHO",
    1994,
    "Assessment of fracture risk and its application to screening for postmenopausal osteoporosis",
    "technical report 843",
)
ISCD = _work(Kind.GUIDELINE, "ISCD", 2019, "Official positions: adult")
BHOF = _work(
    Kind.GUIDELINE,
    "BHOF, LeBoff et al.",
    2022,
    "The clinician's guide to prevention and treatment of osteoporosis",
    "Osteoporos Int 33",
)
ACR_STEROIDS = _work(
    Kind.GUIDELINE,
    "American College of Rheumatology",
    2022,
    "Guideline for the prevention and treatment of glucocorticoid-induced osteoporosis",
)
LOOKER = _work(
    Kind.PUBLICATION,
    "Looker et al.",
    1998,
    "Updated data on proximal femur bone mineral levels of US adults",
    "Osteoporos Int 8",
)
GREEN = _work(Kind.PUBLICATION, "Green et al.", 2004, "Does this woman have osteoporosis?", "JAMA 292")
WORLD_FALLS = _work(
    Kind.GUIDELINE,
    "Montero-Odasso et al.",
    2022,
    "World guidelines for falls prevention and management for older adults: a global initiative",
    "Age Ageing 51",
)
FREEMAN = _work(
    Kind.GUIDELINE,
    "Freeman et al.",
    2011,
    "Consensus statement on the definition of orthostatic hypotension, neurally mediated syncope and the postural tachycardia syndrome",
    "Clin Auton Res 21",
)
GURALNIK_1994 = _work(
    Kind.PUBLICATION,
    "Guralnik et al.",
    1994,
    "A short physical performance battery assessing lower extremity function",
    "J Gerontol 49",
)
GURALNIK_2000 = _work(
    Kind.PUBLICATION,
    "Guralnik et al.",
    2000,
    "Lower extremity function and subsequent disability",
    "J Gerontol A 55",
)
MACRAE_WRIGHT = _work(Kind.PUBLICATION, "Macrae & Wright", 1969, "Measurement of back movement", "Ann Rheum Dis 28")
VELLAS = _work(
    Kind.PUBLICATION,
    "Vellas et al.",
    1997,
    "One-leg balance is an important predictor of injurious falls in older persons",
    "J Am Geriatr Soc 45",
)
RICHARDSON = _work(
    Kind.PUBLICATION,
    "Richardson et al.",
    1999,
    "Therapeutic exercise for spinal segmental stabilization in low back pain",
)
DYSREFLEXIA = _work(
    Kind.GUIDELINE,
    "Consortium for Spinal Cord Medicine",
    2020,
    "Evaluation and management of autonomic dysreflexia and other autonomic dysfunctions",
)
